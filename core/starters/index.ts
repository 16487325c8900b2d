export * from './beginSheet'
export * from './topologies'
export * from './copySheet'
export * from './callCamshafts'
