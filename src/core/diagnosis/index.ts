export * from './belief';
export * from './advice';
