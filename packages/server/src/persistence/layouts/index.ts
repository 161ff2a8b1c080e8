export { keepLayouts } from './layoutRows.ts';
export { LayoutRepository } from './layoutStore.ts';
export { NamedDefinitionRepository } from './namedDefinitions.ts';
