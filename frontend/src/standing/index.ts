export { DeletedSites } from "./DeletedSites";
export { StandingView } from "./StandingView";
