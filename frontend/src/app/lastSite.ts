const KEY = "hestor.last-site";

/** The site that this browser had open last. */
export function lastSite(): string | null {
  return localStorage.getItem(KEY);
}

export function rememberSite(slug: string): void {
  localStorage.setItem(KEY, slug);
}
