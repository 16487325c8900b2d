export * from './beginSheet'
