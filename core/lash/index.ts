export * from './shims'
export * from './judgeGap'
export * from './assign'
export * from './rounds'
