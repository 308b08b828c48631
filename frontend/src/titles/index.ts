import { later } from "../ui/later";

export const TitlesView = later(async () => (await import("./TitlesView")).TitlesView);
export const KeywordsField = later(async () => (await import("./KeywordsField")).KeywordsField);
export const PatternField = later(async () => (await import("./PatternField")).PatternField);
