export { orderStates, type OffersAnswer, type OrderAnswer, type OrderState } from './answers';
export { SupplierLink, type OrderedItem } from './SupplierLink';
