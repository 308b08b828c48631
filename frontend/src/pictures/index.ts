export { proposedCrop, usePictures, type Picture } from "./api";
export { PictureChoice } from "./PictureChoice";
export { PicturesView } from "./PicturesView";
export { UploadArea } from "./UploadArea";
