export { CommentRepository } from './commentStore.ts';
