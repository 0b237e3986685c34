/** The house's own mark. */
export function Pail() {
  return (
    <svg
      width="25"
      height="28"
      viewBox="0 0 25 28"
      aria-hidden="true"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.8"
      className="shrink-0"
    >
      <path d="M4 10h17l-2.200 16H6.200z" />
      <path d="M5 14.5h15M4 10C4.500 4 8.500 1.500 12.500 1.500S20.500 4 21 10" />
    </svg>
  );
}
