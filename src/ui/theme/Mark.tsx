/** The sign of Mill Pond: three levels of water in a square. */
export function Mark() {
  return (
    <svg width="18" height="18" viewBox="0 0 18 18" aria-hidden>
      <rect width="18" height="18" rx="3" className="fill-reed" />
      <path
        d="M3 6q2-2 4 0t4 0 4 0M3 9.5q2-2 4 0t4 0 4 0M3 13q2-2 4 0t4 0 4 0"
        fill="none"
        className="stroke-on-reed"
        strokeWidth="1.3"
      />
    </svg>
  );
}
