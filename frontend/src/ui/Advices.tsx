interface Props {
  notices: readonly { code: string; message: string }[];
}

/** What should be thought of, below the field that it is about. */
export function Advices({ notices }: Props) {
  return notices.map((notice, index) => (
    <p key={`${notice.code} ${String(index)}`} className="mt-1.5 text-warn">
      ▲ {notice.message}
    </p>
  ));
}
