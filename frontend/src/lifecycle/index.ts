import { later } from "../ui/later";

export const DeletedSites = later(async () => (await import("./DeletedSites")).DeletedSites);
export const LifecycleView = later(async () => (await import("./LifecycleView")).LifecycleView);
