export * from './scene'
export { makeDriveScene } from './driveScene'
export { countedPin } from './countedPin'
export * from './standIns'
