/* The server forbids that text becomes markup or script. What is left is a worker's address, and that has to be of this origin; and nothing at all, by which a drawing
 * surface is emptied. */

interface TrustedTypes {
  createPolicy(
    name: string,
    rules: { createScriptURL: (address: string) => string; createHTML: (markup: string) => string },
  ): unknown
}

const types = (globalThis as { trustedTypes?: TrustedTypes }).trustedTypes
types?.createPolicy('default', {
  createScriptURL: (address) => {
    const url = new URL(address, location.href)
    if (url.origin !== location.origin) throw new TypeError(`Not a script of this origin: ${url.origin}`)
    return url.href
  },
  createHTML: (markup) => {
    if (markup !== '') throw new TypeError('No text becomes markup here')
    return markup
  },
})
