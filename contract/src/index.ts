export * from './faults.ts';
export * from './gardenFile.ts';
export * from './api.ts';
