export { kitOf, kitPolicies, type BadPart, type Kit, type KitPlace, type KitPolicy } from './kit';
export { type OwnHand, partOrBoard, type PartOrBoard } from './partOrBoard';
