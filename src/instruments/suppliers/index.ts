export { type OrderAnswer, type OrderState } from './answers';
export { SupplierLink } from './SupplierLink';
