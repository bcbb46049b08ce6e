export { misplaced, reachOf, type Glass, type Misplaced, type Placed } from './conflicts';
export { EMPTY_BOARD, flowAt, lightAt, type Board, type Light, type Spot } from './field';
export { layoutFacts, sameRocks, type LayoutFacts } from './layout';
export { movedTo, placesHere, stoodBefore } from './moves';
export { PLACEMENT_LIMITS } from './limits';
