export { PersonMenu } from './PersonMenu.tsx';
