export { entities } from './persistence/entities/index.ts';
export { type Serving, serve } from './serve.ts';
