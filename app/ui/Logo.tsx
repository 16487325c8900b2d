/** Our sign: one link, two pins. */
export const Logo = () => (
  <svg width="38" height="22" viewBox="0 0 38 22" aria-hidden="true">
    <path
      d="M10 1C4.500 1 1 5.500 1 11s3.500 10 9 10c4 0 5.500-3 9-3s5 3 9 3c5.500 0 9-4.500 9-10S33.500 1 28 1c-4 0-5.500 3-9 3s-5-3-9-3z"
      fill="var(--ink)"
    />
    <circle cx="10.500" cy="11" r="4" fill="var(--sheet)" />
    <circle cx="27.500" cy="11" r="4" fill="var(--sheet)" />
  </svg>
)
