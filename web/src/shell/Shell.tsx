import { lazy, Suspense, useState } from "react";
import { NavLink, Outlet, useNavigation } from "react-router";
import { Problem, type Session } from "../api/client";
import { useSession } from "../api/plants";
import { Connection } from "./Connection";
import { IfMeant } from "./IfMeant";
import { rarer } from "./rarer";
import { Failed, Waiting } from "./States";
import { Whose } from "./Whose";

const views = [
  { to: "/", label: "Rounds", end: true },
  { to: "/plants", label: "Plants", end: false },
  { to: "/bench", label: "Bench", end: false },
  { to: "/places", label: "Places", end: false },
  { to: "/handbook", label: "Handbook", end: false },
];

/** The frame of every page: the masthead, the thumb bar on a phone, and whoever is signed in. */
export function Shell() {
  const session = useSession();
  // Whoever is signed in stays so while the server is away.
  if (session.data?.signedIn) return <SignedIn session={session.data} />;
  if (session.isPending) {
    return (
      <div className="page pt-24">
        <Waiting />
      </div>
    );
  }
  if (session.isLoadingError && !(session.error instanceof Problem && session.error.status === 401)) {
    return (
      <div className="page pt-24">
        <Failed error={session.error} retry={() => session.refetch()} />
      </div>
    );
  }
  return (
    <Suspense fallback={<Waiting />}>
      <SignIn session={session.data} />
    </Suspense>
  );
}

const Household = lazy(() => import("./Household"));
const SignIn = lazy(async () => ({ default: (await import("../views/SignIn")).SignIn }));

/** What an answer is given with, in the order in which it is looked for: one tap, else a field, else a button. */
const answers = ["button[data-answer]", "input:not([type=hidden]), textarea", "button"];

/** Puts the focus past all that stands before the first thing to answer on the page. */
function toTheFirstAnswer() {
  for (const kind of answers) {
    const first = document.querySelector<HTMLElement>(`#main :is(${kind})`);
    if (first) return first.focus();
  }
}

function SignedIn({ session }: { session: Session }) {
  const navigation = useNavigation();
  // The menu is fetched when somebody first opens it.
  const [menu, setMenu] = useState(false);
  const whose = <Whose session={session} />;
  return (
    <div className="page">
      <a className="skip" href="#main">
        To the content
      </a>
      <button type="button" className="skip" onClick={toTheFirstAnswer}>
        To the first answer
      </button>
      <header className="masthead">
        <NavLink to="/" className="mark">
          Tender Mend
        </NavLink>
        <nav aria-label="Views">
          {views.map((v) => (
            <NavLink key={v.to} to={v.to} end={v.end}>
              {v.label}
            </NavLink>
          ))}
          <NavLink to={rarer.to}>{rarer.label}</NavLink>
        </nav>
        {menu ? (
          <Suspense fallback={whose}>
            <Household session={session} />
          </Suspense>
        ) : (
          <button
            type="button"
            className="whose"
            aria-haspopup="menu"
            aria-expanded="false"
            onClick={() => setMenu(true)}
          >
            {whose}
          </button>
        )}
      </header>
      <Connection />
      <main id="main" tabIndex={-1} style={{ outline: "none" }} aria-busy={navigation.state === "loading"}>
        <Suspense fallback={<Waiting />}>
          <Outlet />
        </Suspense>
      </main>
      <IfMeant />
      <nav className="thumbbar" aria-label="Views, by thumb">
        {views.map((v) => (
          <NavLink key={v.to} to={v.to} end={v.end}>
            {v.label}
          </NavLink>
        ))}
      </nav>
    </div>
  );
}
