export * from './truth/makeCase';
export * from './truth/random';
export * from './truth/runPlant';
export * from './truth/TruePlant';
export * from './truth/water';
export * from './score/lookAlike';
export * from './score/ruleOfThumb';
export * from './score/score';
