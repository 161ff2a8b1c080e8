export { entities } from './persistence/entities/index.ts';
export { type ServeOptions, type Serving, serve } from './serve.ts';
