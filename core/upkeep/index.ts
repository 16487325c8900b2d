export * from './nextDue'
export * from './trend'
export * from './usual'
export * from './lines'
