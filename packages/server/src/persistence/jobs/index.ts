export { forgetUnneeded } from './forgetUnneeded.ts';
export { JobRepository } from './jobStore.ts';
