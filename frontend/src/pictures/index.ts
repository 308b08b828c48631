import { later } from "../ui/later";

export { proposedCrop, upload, usePictures, type Picture } from "./api";
export { PictureChoice } from "./PictureChoice";
/** Fetched when it is opened: the sheet is what one comes for. */
export const PicturesView = later(async () => (await import("./PicturesView")).PicturesView);
export { UploadArea } from "./UploadArea";
