import { Navigate, Route, Routes } from "react-router";
import { EditionsView } from "../editions/EditionsView";
import { PagesView } from "../pages/PagesView";
import { PicturesView } from "../pictures/PicturesView";
import { ReviewView } from "../review/ReviewView";
import { useSession } from "../session/api";
import { FirstAccount } from "../session/FirstAccount";
import { SignIn } from "../session/SignIn";
import { SheetView } from "../sheet/SheetView";
import { useSites } from "../sites/api";
import { NewSite } from "../sites/NewSite";
import { Await } from "../ui/Await";
import { lastSite } from "./lastSite";
import { SiteFrame } from "./SiteFrame";
import { Nowhere } from "./Nowhere";

/** Leads to the site that was open last, or to making the first one. */
function Start() {
  const sites = useSites();
  return (
    <Await query={sites}>
      {(all) => {
        const open = all.find((site) => site.slug === lastSite()) ?? all[0];
        return open ? <Navigate to={`/${open.slug}/style`} replace /> : <NewSite first />;
      }}
    </Await>
  );
}

export function App() {
  const session = useSession();
  return (
    <Await query={session}>
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
    </Await>
  );
}
