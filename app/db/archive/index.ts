export * from './writeArchive'
export * from './readArchive'
