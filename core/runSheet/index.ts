export * from './cautions'
export * from './steps'
export * from './status'
export * from './cycle'
