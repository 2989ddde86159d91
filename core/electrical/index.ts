export * from './look';
export * from './ampacity';
export * from './rating-row';
export * from './drop';
export * from './source';
export * from './network';
export * from './house';
