export * from './seeded'
