export { entities } from './persistence/entities/index.ts';
export { serve, type Serving } from './serve.ts';
