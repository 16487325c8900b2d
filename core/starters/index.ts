export * from './inlineOneChain'
