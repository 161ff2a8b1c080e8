export { Attachments } from './Attachments.tsx';
