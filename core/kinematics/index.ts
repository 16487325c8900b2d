export * from './sliderCrank'
