export * from './bestMoves'
export * from './movesOfJob'
