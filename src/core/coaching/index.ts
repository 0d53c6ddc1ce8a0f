export { gateFit, gateFitWords, rateBelow, TEACHING, type GateFit } from './gate-fit';
export { nextStep, type NextStep } from './next-step';
export { whatIsNew, type DrillFacts } from './news';
export { standingsWords, type Standing } from './standings';
