import { ErrorBoundary } from "react-error-boundary";
import { Navigate, Route, Routes } from "react-router";
import { FirstAccount, SignIn, useSession } from "../accounts";
import { EditionsView } from "../editions";
import { SheetView } from "../house-style";
import { PagesView } from "../pages";
import { PicturesView } from "../pictures";
import { ReviewView } from "../review";
import { NewSite, useSites } from "../sites";
import { QueryBoundary } from "../ui/QueryBoundary";
import { lastSite } from "./lastSite";
import { Nowhere } from "./Nowhere";
import { SiteFrame } from "./SiteFrame";
import { ViewFailed } from "./ViewFailed";

/** Leads to the site that was open last, or to making the first one. */
function Start() {
  const sites = useSites();
  return (
    <QueryBoundary query={sites}>
      {(all) => {
        const open = all.find((site) => site.slug === lastSite()) ?? all[0];
        return open ? <Navigate to={`/${open.slug}/style`} replace /> : <NewSite first />;
      }}
    </QueryBoundary>
  );
}

function Desk() {
  const session = useSession();
  return (
    <QueryBoundary query={session}>
      {(now) => {
        if (now.first_run) return <FirstAccount />;
        if (!now.account) return <SignIn session={now} />;
        return (
          <Routes>
            <Route path="/" element={<Start />} />
            <Route path="/new-site" element={<NewSite first={false} />} />
            <Route path="/:site" element={<SiteFrame person={now.account} />}>
              <Route path="style" element={<SheetView />} />
              <Route path="pages" element={<PagesView />} />
              <Route path="pictures" element={<PicturesView />} />
              <Route path="editions" element={<EditionsView />} />
              <Route path="review" element={<ReviewView />} />
            </Route>
            <Route path="*" element={<Nowhere />} />
          </Routes>
        );
      }}
    </QueryBoundary>
  );
}

export function App() {
  return (
    <ErrorBoundary FallbackComponent={ViewFailed}>
      <Desk />
    </ErrorBoundary>
  );
}
