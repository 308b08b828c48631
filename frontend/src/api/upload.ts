import { token } from "./client";
import { ApiProblem, NoConnection, type Problem } from "./problem";

function failure(request: XMLHttpRequest): Error {
  try {
    return new ApiProblem(JSON.parse(request.responseText) as Problem);
  } catch {
    return new ApiProblem({
      type: "about:blank",
      status: request.status,
      code: "http",
      title: request.statusText,
      errors: [],
    });
  }
}

/** Sends one picture, as `sendForm` does. */
export function send<T>(address: string, file: File, onProgress: (share: number) => void): Promise<T> {
  const body = new FormData();
  body.append("file", file, file.name || "picture");
  return sendForm<T>(address, body, onProgress);
}

/**
 * Sends a form with files and says how far it is, from 0 to 1. XMLHttpRequest, as fetch can't tell the progress of what
 * it sends. Throws ApiProblem for a refusal, NoConnection when no answer came.
 */
export function sendForm<T>(address: string, body: FormData, onProgress: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest();
    request.open("POST", address);
    request.setRequestHeader("X-CSRFToken", token());
    request.upload.onprogress = (event) => event.lengthComputable && onProgress(event.loaded / event.total);
    request.onload = () =>
      request.status < 300 ? resolve(JSON.parse(request.responseText) as T) : reject(failure(request));
    request.onerror = () => reject(new NoConnection());
    request.send(body);
  });
}

/** Sends a form, and saves the file that comes back. Throws as `sendForm` does. */
export async function download(address: string, body: FormData, name: string): Promise<void> {
  const sent = fetch(address, { method: "POST", body, headers: { "X-CSRFToken": token() } });
  const answer = await sent.catch(() => {
    throw new NoConnection();
  });
  if (!answer.ok) throw new ApiProblem((await answer.json()) as Problem);
  save(await answer.blob(), name);
}

/** Has a file saved under a name. */
export function save(file: Blob, name: string): void {
  const link = document.createElement("a");
  link.href = URL.createObjectURL(file);
  link.download = name;
  link.click();
  URL.revokeObjectURL(link.href);
}
