/** One column to each row so that the sum is least; rows may be fewer than columns. Gives the column of each row. Costs finite.
 *  Source: Kuhn's Hungarian method in the shortest-path form of Jonker and Volgenant, 1987 (from memory). */
export function assign(costs: readonly (readonly number[])[]): number[] {
  const n = costs.length
  const m = costs[0]?.length ?? 0
  // Potentials and matching are counted from 1; column 0 is the row being placed.
  const [u, v] = [new Float64Array(n + 1), new Float64Array(m + 1)]
  const rowOf = new Int32Array(m + 1)
  const way = new Int32Array(m + 1)
  for (let i = 1; i <= n; i++) {
    rowOf[0] = i
    const least = new Float64Array(m + 1).fill(Infinity)
    const used = new Uint8Array(m + 1)
    let column = 0
    do {
      used[column] = 1
      const row = rowOf[column] ?? 0
      let [delta, next] = [Infinity, 0]
      for (let j = 1; j <= m; j++) {
        if (used[j]) continue
        const reduced = (costs[row - 1]?.[j - 1] ?? 0) - (u[row] ?? 0) - (v[j] ?? 0)
        if (reduced < (least[j] ?? 0)) {
          least[j] = reduced
          way[j] = column
        }
        if ((least[j] ?? 0) < delta) [delta, next] = [least[j] ?? 0, j]
      }
      for (let j = 0; j <= m; j++) {
        if (used[j]) {
          const at = rowOf[j] ?? 0
          u[at] = (u[at] ?? 0) + delta
          v[j] = (v[j] ?? 0) - delta
        } else least[j] = (least[j] ?? 0) - delta
      }
      column = next
    } while (rowOf[column] !== 0)
    do {
      const before = way[column] ?? 0
      rowOf[column] = rowOf[before] ?? 0
      column = before
    } while (column !== 0)
  }
  const columnOf = Array.from({ length: n }, () => -1)
  for (let j = 1; j <= m; j++) if (rowOf[j]) columnOf[(rowOf[j] ?? 1) - 1] = j - 1
  return columnOf
}
