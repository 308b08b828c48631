import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useRef, useState } from "react";
import { picturesKey, upload, type Picture } from "./api";

export interface Upload {
  id: number;
  name: string;
  progress: number;
  error: Error | null;
  done: { picture: Picture; isNew: boolean } | null;
}

/** More at once would make the desk wait for its own pictures. */
const AT_ONCE = 2;
let lastId = 0;

/** Uploads files, two at a time; each says how far it is, and why it was refused. */
export function useUploads(
  site: string,
  refusal: (file: File) => string | null,
  onUploaded?: (picture: Picture) => void,
) {
  const queries = useQueryClient();
  const [uploads, setUploads] = useState<Upload[]>([]);
  const waiting = useRef<{ id: number; file: File }[]>([]);
  const busy = useRef(0);

  const change = useCallback((id: number, part: Partial<Upload>) => {
    setUploads((all) => all.map((one) => (one.id === id ? { ...one, ...part } : one)));
  }, []);

  const work = useCallback(async (): Promise<void> => {
    if (busy.current >= AT_ONCE) return;
    busy.current += 1;
    for (let next = waiting.current.shift(); next; next = waiting.current.shift()) {
      const { id, file } = next;
      try {
        const refused = refusal(file);
        if (refused) throw new Error(refused);
        const done = await upload(site, file, (progress) => change(id, { progress }));
        change(id, { progress: 1, done: { picture: done.picture, isNew: done.new } });
        void queries.invalidateQueries({ queryKey: picturesKey(site) });
        onUploaded?.(done.picture);
      } catch (error) {
        change(id, { error: error as Error });
      }
    }
    busy.current -= 1;
  }, [site, refusal, change, queries, onUploaded]);

  const start = useCallback(
    (files: File[]) => {
      const made = files.map((file) => ({ id: (lastId += 1), file }));
      waiting.current.push(...made);
      setUploads((all) => [
        ...all.filter((one) => !one.done),
        ...made.map(({ id, file }) => ({ id, name: file.name, progress: 0, error: null, done: null })),
      ]);
      made.slice(0, AT_ONCE).forEach(() => void work());
    },
    [work],
  );
  const dismiss = useCallback((id: number) => setUploads((all) => all.filter((one) => one.id !== id)), []);
  return { uploads, start, dismiss };
}
