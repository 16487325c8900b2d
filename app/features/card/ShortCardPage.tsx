import type { JobView } from '../../domain/views'
import { CardFrame } from './CardFrame'
import { shortCardLines, shortCardText } from './shortCard'
import { TextCode } from './TextCode'

/** The settings alone, to hang on the engine, with a code that holds them as plain text. */
export default function ShortCardPage() {
  return (
    <CardFrame words="Short" under>
      {(view) => <ShortCard view={view} />}
    </CardFrame>
  )
}

function ShortCard({ view }: { readonly view: JobView }) {
  const [name = '', ...lines] = shortCardLines(view)
  return (
    <article className="short-card" aria-label="Short card">
      <div>
        <h1>{name}</h1>
        {lines.map((line) => (
          <p key={line} className="reading">
            {line}
          </p>
        ))}
      </div>
      <TextCode text={shortCardText([name, ...lines])} alt="These settings as plain text, to be scanned" />
    </article>
  )
}
