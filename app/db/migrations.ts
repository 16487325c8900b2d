import type { NamedMigration } from '@link-count/core/file'
import { draftIndexes } from '../domain/drafts'
import { engineIndexes } from '../domain/engines'
import { entryIndexes } from '../domain/entries'
import { jobIndexes } from '../domain/jobs'
import { metaIndexes } from '../domain/meta'
import { pictureIndexes } from '../domain/pictures'
import { sheetIndexes } from '../domain/sheets'

/** One list serves the database and old exported files. Versions run without gaps; a change of stored shape adds one here, with
 *  `up` for files and rows alike, and a fixture of the version before it. */
export const storeVersions = [
  {
    version: 1,
    name: '001-first',
    stores: {
      engines: engineIndexes,
      sheets: sheetIndexes,
      jobs: jobIndexes,
      entries: entryIndexes,
      drafts: draftIndexes,
      pictures: pictureIndexes,
      meta: metaIndexes,
    },
  },
] as const

/** From version n to n + 1; none yet. */
export const fileMigrations: readonly NamedMigration[] = []
