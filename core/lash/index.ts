export * from './shims'
export * from './judgeGap'
export * from './assign'
