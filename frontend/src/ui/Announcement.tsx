/**
 * Words that are read out when they come, and not seen. Whatever can be pressed stands outside of it: a live region
 * is read as text, and reading it anew must not read its buttons.
 */
export function Announcement({ urgent = false, children }: { urgent?: boolean; children: string }) {
  return (
    <span role={urgent ? "alert" : "status"} className="unseen">
      {children}
    </span>
  );
}
