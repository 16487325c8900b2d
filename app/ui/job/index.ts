export * from './unproved'
export * from './wheelReading'
export * from './ZeroFigure'
export * from './TimingFigure'
