import { later } from "../ui/later";

export const FollowedNews = later(async () => (await import("./FollowedNews")).FollowedNews);
export const FollowedList = later(async () => (await import("./FollowedList")).FollowedList);
export { useFollowed } from "./api";
