export * from './caseFile';
export * from './jobCase';
export * from './problems';
export * from './records';
export * from './sharedReport';
export * from './simulationRequest';
export * from './jsonSchema';
