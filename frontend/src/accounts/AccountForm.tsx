import { useId, type SubmitEvent, type ReactNode } from "react";
import { Button } from "../ui/Button";
import { ErrorNotice } from "../ui/ErrorNotice";

interface Props {
  title: string;
  action: string;
  /** Said once it is done. */
  done: string;
  change: { error: Error | null; isPending: boolean; isSuccess: boolean };
  disabled?: boolean;
  onSubmit: () => void;
  children: ReactNode;
}

/** One thing about one's account that can be changed. */
export function AccountForm({ title, action, done, change, disabled = false, onSubmit, children }: Props) {
  const id = useId();
  function submit(event: SubmitEvent) {
    event.preventDefault();
    onSubmit();
  }
  return (
    <section aria-labelledby={id}>
      <h2 id={id} className="mb-3 text-lg font-semibold">
        {title}
      </h2>
      <form onSubmit={submit} className="grid max-w-md gap-4" noValidate>
        <ErrorNotice error={change.error} />
        {children}
        <div className="flex flex-wrap items-center gap-4">
          <Button type="submit" disabled={change.isPending || disabled}>
            {action}
          </Button>
          <p role="status">{change.isSuccess && done}</p>
        </div>
      </form>
    </section>
  );
}
