export { FacetMenu, FacetNote } from './FacetMenu.tsx';
