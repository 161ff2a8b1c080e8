export { AccountOpening } from './AccountOpening.tsx';
