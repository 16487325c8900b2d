export * from './beginSheet'
export * from './topologies'
