import { Menu, UnstyledButton, useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { Suspense } from "react";
import { Link, NavLink, Outlet, useNavigation } from "react-router";
import { answer, client, Problem, type Session } from "../api/client";
import { useSession } from "../api/hooks";
import { sayDay } from "../dates";
import { useUnits } from "../units";
import { SignIn } from "../views/SignIn";
import { Failed, Waiting } from "./States";

const views = [
  { to: "/", label: "Rounds", end: true },
  { to: "/plants", label: "Plants", end: false },
  { to: "/bench", label: "Bench", end: false },
  { to: "/places", label: "Places", end: false },
  { to: "/handbook", label: "Handbook", end: false },
];

/** What a phone's thumb bar has no room for stands in the menu as well. */
const rarer = { to: "/look-back", label: "Looking back" };

/** The frame of every page: the masthead, the thumb bar on a phone, and whoever is signed in. */
export function Shell() {
  const session = useSession();
  if (session.isPending) {
    return (
      <div className="page" style={{ paddingTop: 24 }}>
        <Waiting />
      </div>
    );
  }
  if (session.isError && !(session.error instanceof Problem && session.error.status === 401)) {
    return (
      <div className="page" style={{ paddingTop: 24 }}>
        <Failed error={session.error} retry={() => session.refetch()} />
      </div>
    );
  }
  if (!session.data?.signedIn) return <SignIn session={session.data} />;
  return <SignedIn session={session.data} />;
}

function SignedIn({ session }: { session: Session }) {
  const navigation = useNavigation();
  return (
    <div className="page">
      <a className="skip" href="#main">
        To the content
      </a>
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
        <Household session={session} />
      </header>
      <main id="main" tabIndex={-1} style={{ outline: "none" }} aria-busy={navigation.state === "loading"}>
        <Suspense fallback={<Waiting />}>
          <Outlet />
        </Suspense>
      </main>
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

function Household({ session }: { session: Session }) {
  const cache = useQueryClient();
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme("light");
  const [system, setSystem] = useUnits();
  const signOut = async () => {
    await answer(client.DELETE("/api/session"));
    cache.clear();
    window.location.assign("/");
  };
  return (
    <Menu position="bottom-end" withinPortal={false}>
      <Menu.Target>
        <UnstyledButton className="soft" style={{ marginLeft: "auto", textAlign: "right" }}>
          <span className="not-phone">{session.collection} · </span>
          {sayDay(session.today, session.today)} <span aria-hidden>▾</span>
        </UnstyledButton>
      </Menu.Target>
      <Menu.Dropdown>
        <Menu.Label>{session.name}</Menu.Label>
        <Menu.Item onClick={() => setSystem(system === "metric" ? "us" : "metric")}>
          {system === "metric" ? "Inches, ounces, °F" : "Centimetres, grams, °C"}
        </Menu.Item>
        <Menu.Item onClick={() => setColorScheme(scheme === "dark" ? "light" : "dark")}>
          {scheme === "dark" ? "Light cloth" : "Dark cloth"}
        </Menu.Item>
        <Menu.Item component={Link} to={rarer.to} className="phone-only">
          {rarer.label}
        </Menu.Item>
        <Menu.Item component={Link} to="/exchange">
          Out and in
        </Menu.Item>
        <Menu.Item component={Link} to="/household">
          Who lives here
        </Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={signOut}>Sign out</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
