import type { ReactNode } from "react";
import { ErrorBoundary } from "react-error-boundary";
import { Navigate, Route, Routes, useLocation } from "react-router";
import {
  AccountView,
  ConfirmAddress,
  FirstAccount,
  NewPassword,
  SignIn,
  useOwnLanguage,
  useSession,
  WellBeingView,
} from "../accounts";
import type { Session } from "../api/client";
import { AllSitesView } from "../all-sites";
import { BoardView } from "../board";
import { ConsistencyView, OtherPages } from "../consistency";
import { EditionsView } from "../editions";
import { SheetView } from "../house-style";
import { MailView } from "../mail";
import { PagesView, PageView } from "../pages";
import { PicturesView } from "../pictures";
import { ReviewView } from "../review";
import { NewSite, useSites } from "../sites";
import { LifecycleView } from "../lifecycle";
import { TitlesView } from "../titles";
import { ChecklistView } from "../checklist";
import { QueryBoundary } from "../ui/QueryBoundary";
import { DeskKeys } from "./DeskKeys";
import { lastSite } from "./lastSite";
import { NoSite } from "./NoSite";
import { Nowhere } from "./Nowhere";
import { SiteFrame } from "./SiteFrame";
import { ViewFailed } from "./ViewFailed";

const CONFIRM = /^\/confirm(-address)?\/([^/]+)$/;

type Person = NonNullable<Session["account"]>;

/** Leads to the site that was open last in this browser, to all of them, or to making the first one. */
function Start({ person }: { person: Person }) {
  const sites = useSites();
  return (
    <QueryBoundary query={sites}>
      {(all) => {
        const last = all.find((site) => site.slug === lastSite());
        // Of several, none is opened by the alphabet.
        if (!last && all.length > 1) return <Navigate to="/all-sites" replace />;
        const open = last ?? all[0];
        // A site that nobody has seen yet begins with what it has still to say.
        if (open) return <Navigate to={`/${open.slug}/${open.live_number ? "style" : "to-say"}`} replace />;
        return person.may_make_sites ? <NewSite first /> : <NoSite />;
      }}
    </QueryBoundary>
  );
}

/** A view that belongs to no site. */
function Apart({ person, view }: { person: Person; view: ReactNode }) {
  const sites = useSites();
  return (
    <DeskKeys person={person} sites={sites.data ?? []}>
      {view}
    </DeskKeys>
  );
}

function Desk() {
  const session = useSession();
  useOwnLanguage(session.data);
  // Whoever lost the password is signed in nowhere.
  const path = useLocation().pathname;
  if (path === "/new-password") return <NewPassword />;
  const [, asks, token] = CONFIRM.exec(path) ?? [];
  if (token) return <ConfirmAddress kind={asks ? "account-address" : "notices"} token={token} />;
  return (
    <QueryBoundary query={session}>
      {(now) => {
        if (now.first_run) return <FirstAccount />;
        if (!now.account) return <SignIn session={now} />;
        return (
          <Routes>
            <Route path="/" element={<Start person={now.account} />} />
            <Route path="/your-account" element={<Apart person={now.account} view={<AccountView />} />} />
            {now.account.keeps_installation && (
              <Route path="/well-being" element={<Apart person={now.account} view={<WellBeingView />} />} />
            )}
            <Route
              path="/all-sites"
              element={<Apart person={now.account} view={<AllSitesView mayMakeSites={now.account.may_make_sites} />} />}
            />
            <Route path="/new-site" element={<Apart person={now.account} view={<NewSite first={false} />} />} />
            <Route path="/:site" element={<SiteFrame person={now.account} />}>
              <Route path="style" element={<SheetView />} />
              <Route path="proofs" element={<BoardView />} />
              <Route path="to-say" element={<ChecklistView />} />
              <Route path="pages" element={<PagesView titles={TitlesView} />} />
              <Route path="pages/titles" element={<TitlesView />} />
              <Route path="pages/:page" element={<PageView />} />
              <Route path="pictures" element={<PicturesView />} />
              <Route path="consistency" element={<ConsistencyView />} />
              <Route path="consistency/other-pages" element={<OtherPages />} />
              <Route path="mail" element={<MailView />} />
              <Route path="editions" element={<EditionsView />} />
              <Route path="review" element={<ReviewView />} />
              <Route path="whole-site" element={<LifecycleView mayMakeSites={now.account.may_make_sites} />} />
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
