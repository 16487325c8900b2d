export * from './kit'
export * from './socketFor'
