export * from './judgeWait'
