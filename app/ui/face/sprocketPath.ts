/** The outline of a toothed wheel as an SVG path about (0, 0), gap 0 along +x, in px; drawn with as many teeth as it has. */
export function sprocketPath(teeth: number, radius: number, pitch: number): string {
  const deep = radius - pitch * 0.34
  const tip = radius + pitch * 0.3
  const step = (2 * Math.PI) / teeth
  const at = (r: number, angle: number) => `${(r * Math.cos(angle)).toFixed(2)} ${(r * Math.sin(angle)).toFixed(2)}`
  let d = `M${at(deep, -step * 0.1)}`
  for (let i = 0; i < teeth; i++) {
    const a = i * step
    d += `L${at(deep, a + step * 0.1)}Q${at(radius - pitch * 0.1, a + step * 0.3)} ${at(tip, a + step * 0.4)}`
    d += `L${at(tip, a + step * 0.6)}Q${at(radius - pitch * 0.1, a + step * 0.7)} ${at(deep, a + step * 0.9)}`
  }
  return `${d}Z`
}

/** The outline of a gear or of a toothed belt's pulley about (0, 0), gap 0 along +x, in px: straight-sided teeth on their pitch circle. */
export function gearPath(teeth: number, radius: number, pitch: number): string {
  const [deep, tip] = [radius - pitch * 0.24, radius + pitch * 0.22]
  const step = (2 * Math.PI) / teeth
  const at = (r: number, angle: number) => `${(r * Math.cos(angle)).toFixed(2)} ${(r * Math.sin(angle)).toFixed(2)}`
  let d = `M${at(deep, -step * 0.16)}`
  for (let i = 0; i < teeth; i++) {
    const a = i * step
    d += `L${at(deep, a + step * 0.16)}L${at(tip, a + step * 0.38)}L${at(tip, a + step * 0.62)}L${at(deep, a + step * 0.84)}`
  }
  return `${d}Z`
}
