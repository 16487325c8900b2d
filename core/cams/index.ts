export * from './valveEvents'
export * from './camTiming'
