/** Hestor's own glyph. */
export function Glyph({ size = 30 }: { size?: number }) {
  return (
    <svg viewBox="0 0 30 30" width={size} height={size} aria-hidden className="flex-none">
      <path d="M3 28V14a12 12 0 0 1 24 0v14h-7V15a5 5 0 0 0-10 0v13z" fill="currentColor" />
      <path
        d="M15 17c3 3 3.6 5.4 3.6 7.4A3.6 3.6 0 0 1 15 28a3.6 3.6 0 0 1-3.6-3.6c0-2 .6-4.4 3.6-7.4z"
        fill="#E4F222"
      />
    </svg>
  );
}
