import { ESLint } from 'eslint'
import { expect, test } from 'vitest'

const eslint = new ESLint({ cwd: new URL('..', import.meta.url).pathname })

async function broken(filePath: string, imported: string): Promise<boolean> {
  const [result] = await eslint.lintText(`import '${imported}'\n`, { filePath })
  return result?.messages.some(({ ruleId }) => ruleId === 'no-restricted-imports') ?? false
}

test.each([
  ['core/zero/x.ts', 'react'],
  ['core/zero/x.ts', 'zod'],
  ['core/model/x.ts', 'dexie'],
  ['app/domain/jobs/x.ts', '../../features/job/JobPage'],
  ['app/domain/jobs/x.ts', '../../db'],
  ['app/db/x.ts', '../ui/Figure'],
  ['app/ui/x.ts', '../shell/App'],
  ['app/features/card/x.tsx', '../job/JobPage'],
  ['app/features/job/steps/x.tsx', '../../engine/EnginePage'],
  ['app/features/job/x.tsx', '../../shell/App'],
])('%s may not import %s', async (file, imported) => expect(await broken(file, imported)).toBe(true))

test.each([
  ['core/model/x.ts', 'zod'],
  ['app/features/job/x.tsx', '../../ui/job'],
  ['app/features/job/steps/x.tsx', '../../../ui/job'],
  ['app/shell/x.tsx', '../features/job/JobPage'],
])('%s may import %s', async (file, imported) => expect(await broken(file, imported)).toBe(false))
