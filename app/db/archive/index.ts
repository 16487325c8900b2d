export * from './writeArchive'
export * from './readArchive'
export * from './pictureType'
