export { answersOf, type Answer, type AnswerKind } from './answers'
export { figureKey, isGiven, type Figure } from './figures'
export { gainsOf, nextFigure, type Gain } from './nextFigure'
