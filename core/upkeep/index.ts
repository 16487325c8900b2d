export * from './nextDue'
export * from './trend'
export * from './usual'
