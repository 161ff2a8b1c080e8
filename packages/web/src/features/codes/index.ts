export { CompleteForForm } from './CompleteForForm.tsx';
