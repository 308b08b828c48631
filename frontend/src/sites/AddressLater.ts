import { later } from "../ui/later";

/** Below the whole sheet, so it is fetched when the sheet stands. */
export const AddressSection = later(async () => (await import("./AddressSection")).AddressSection);
