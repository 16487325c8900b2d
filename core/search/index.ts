export * from './bestMoves'
