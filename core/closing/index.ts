export * from './checks'
