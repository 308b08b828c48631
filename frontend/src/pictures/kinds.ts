/** The kinds of files that a file chooser offers; what a file really is, the server finds out. */
export const ACCEPTS = "image/png,image/jpeg,image/webp,image/avif,image/gif,image/svg+xml,image/x-icon,.ico,.svg";
