const KEY = 'link-count-open'

/** The workshop that was open last; the demo the first time, and where the browser keeps no such notes. */
export function lastWorkshop(): 'demo' | 'own' {
  try {
    return localStorage.getItem(KEY) === 'own' ? 'own' : 'demo'
  } catch {
    return 'demo'
  }
}

export function rememberWorkshop(kind: 'demo' | 'own'): void {
  try {
    localStorage.setItem(KEY, kind)
  } catch {
    // The address alone says it then.
  }
}
