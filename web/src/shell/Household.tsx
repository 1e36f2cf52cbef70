import { Menu, UnstyledButton, useComputedColorScheme, useMantineColorScheme } from "@mantine/core";
import { useQueryClient } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, client, type Session } from "../api/client";
import { useUnits } from "../units";
import { forgetRecent } from "../views/recent";
import { rarer } from "./rarer";
import { Whose } from "./Whose";

/** Whose collection it is, and what belongs to the person alone. */
export default function Household({ session }: { session: Session }) {
  const cache = useQueryClient();
  const { setColorScheme } = useMantineColorScheme();
  const scheme = useComputedColorScheme("light");
  const [system, setSystem] = useUnits();
  const signOut = async () => {
    await answer(client.DELETE("/api/session"));
    cache.clear();
    forgetRecent();
    window.location.assign("/");
  };
  return (
    <Menu position="bottom-end" withinPortal={false} defaultOpened>
      <Menu.Target>
        <UnstyledButton className="whose">
          <Whose session={session} />
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
        <Menu.Item component={Link} to="/routine">
          Routine
        </Menu.Item>
        <Menu.Item component={Link} to="/household">
          Who lives here
        </Menu.Item>
        <Menu.Item component={Link} to="/account">
          Your account
        </Menu.Item>
        <Menu.Item component={Link} to="/about">
          About
        </Menu.Item>
        <Menu.Divider />
        <Menu.Item onClick={signOut}>Sign out</Menu.Item>
      </Menu.Dropdown>
    </Menu>
  );
}
