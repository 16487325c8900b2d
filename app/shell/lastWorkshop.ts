const KEY = 'link-count-open'

/** The workshop that was open last; the demo the first time. */
export const lastWorkshop = (): 'demo' | 'own' => (localStorage.getItem(KEY) === 'own' ? 'own' : 'demo')
export const rememberWorkshop = (kind: 'demo' | 'own') => localStorage.setItem(KEY, kind)
