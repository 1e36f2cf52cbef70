import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { describe, expect, it } from "vitest";
import { device, pageText, Refusal, serve, show } from "../../testing/page";
import { SignIn } from "../SignIn";
import { AccountPage } from "./AccountPage";
import { browserOf } from "./browser";
import { Reset } from "./Reset";

device();

const here = {
  id: "a",
  agent: "Mozilla/5.0 (X11; Linux x86_64; rv:140.0) Gecko/20100101 Firefox/140.0",
  caller: "192.0.2.7",
  began: "2026-11-20T09:00:00Z",
  last: "2026-11-24T09:00:00Z",
  this: true,
};
const away = { ...here, id: "b", caller: "198.51.100.9", this: false };
const mine = { name: "Ilse", email: "ilse@example.org", secondFactor: false, codesLeft: 0, sessions: [here, away] };
const session = {
  signedIn: false,
  today: "2026-11-24",
  demoOffered: false,
  firstAccount: false,
  openAccounts: true,
  sendsLetters: false,
};

async function open(answers: Record<string, unknown> = {}) {
  const asked = serve({ "GET /api/account": mine, ...answers });
  show(<AccountPage />);
  await userEvent.type(await screen.findByLabelText("Present password", { selector: "input" }), "a short sentence");
  return asked;
}

describe("the account", () => {
  it("changes the name with the password that was typed once", async () => {
    const asked = await open({ "PUT /api/account": { ...mine, name: "Ilse B." } });
    const name = screen.getByRole("textbox", { name: "Your name" });
    await userEvent.type(name, " B.");
    await userEvent.click(screen.getByRole("button", { name: "Change name and address" }));
    await screen.findByText("Kept.");
    expect(asked.find((a) => a.method === "PUT")?.body).toEqual({
      password: "a short sentence",
      name: "Ilse B.",
      email: "ilse@example.org",
    });
  });

  it("says at the field what is wrong, and keeps what was typed", async () => {
    await open({
      "PUT /api/account/password": new Refusal({
        status: 422,
        detail: "Take another password.",
        errors: [{ location: "body.new", message: "take at least 12 characters" }],
      }),
    });
    const fresh = screen.getByLabelText("New password", { selector: "input" }) as HTMLInputElement;
    await userEvent.type(fresh, "short");
    await userEvent.click(screen.getByRole("button", { name: "Change the password" }));
    await screen.findByText("take at least 12 characters");
    expect(fresh.value).toBe("short");
  });

  it("lists where one is signed in, and ends the others", async () => {
    const asked = await open({ "DELETE /api/account/sessions/b": new Response(null, { status: 204 }) });
    const list = screen.getByRole("region", { name: "Where you are signed in" });
    expect(within(list).getAllByRole("listitem")).toHaveLength(2);
    expect(within(list).getByText("· here")).toBeTruthy();
    await userEvent.click(within(list).getByRole("button", { name: /Sign out Firefox on Linux at 198/ }));
    await waitFor(() => expect(asked.some((a) => a.path === "/api/account/sessions/b")).toBe(true));
    expect(within(list).queryByRole("button", { name: /at 192/ })).toBeNull();
  });

  it("sets up a second factor, and shows the recovery codes once", async () => {
    let on = false;
    const asked = await open({
      "GET /api/account": () => ({ ...mine, secondFactor: on, codesLeft: on ? 8 : 0 }),
      "POST /api/account/second-factor": { secret: "JBSWY3DPEHPK3PXP", picture: "data:image/png;base64,AA==" },
      "PUT /api/account/second-factor": () => {
        on = true;
        return { codes: ["AAAAA-BBBBB", "CCCCC-DDDDD"] };
      },
    });
    await userEvent.click(screen.getByRole("button", { name: "Set one up" }));
    await screen.findByText("JBSWY3DPEHPK3PXP");
    await userEvent.type(screen.getByRole("textbox", { name: "The code it shows" }), "123456");
    await userEvent.click(screen.getByRole("button", { name: "Ask for it from now on" }));
    await screen.findByText("CCCCC-DDDDD");
    expect(asked.find((a) => a.method === "PUT")?.body).toEqual({ code: "123456" });
    expect(screen.getByRole("textbox", { name: "Code" })).toBeTruthy();
  });

  it("offers everything as a file before it deletes anything", async () => {
    const asked = await open({
      "POST /api/account/erase": new Refusal({ status: 422, detail: "Your present password is wanted." }),
    });
    await userEvent.click(screen.getByRole("button", { name: "Delete my account …" }));
    const dialog = await screen.findByRole("dialog");
    expect(within(dialog).getByRole("link", { name: "Everything, as JSON" }).getAttribute("href")).toBe(
      "/api/archive.json",
    );
    expect(asked.some((a) => a.path === "/api/account/erase")).toBe(false);
    await userEvent.click(within(dialog).getByRole("button", { name: "Delete everything" }));
    await within(dialog).findByText("Your present password is wanted.");
  });
});

describe("at the door", () => {
  it("asks for a code when the server wants one, and sends it with the same password", async () => {
    const asked = serve({
      "POST /api/session": (a: { body: unknown }) =>
        (a.body as { code?: string }).code === "123456"
          ? { ...session, signedIn: true }
          : new Refusal({ type: "urn:problem:second-factor", status: 401, detail: "Give the code." }),
    });
    show(<SignIn session={session} />);
    await userEvent.type(screen.getByRole("textbox", { name: /E-mail/ }), "ilse@example.org");
    await userEvent.type(screen.getByLabelText(/Password/, { selector: "input" }), "a short sentence");
    expect(screen.queryByRole("textbox", { name: "Code" })).toBeNull();
    await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
    await userEvent.type(await screen.findByRole("textbox", { name: "Code" }), "123456");
    await userEvent.click(screen.getByRole("button", { name: "Sign in" }));
    await waitFor(() => expect(asked).toHaveLength(2));
    expect(asked[1]?.body).toEqual({ email: "ilse@example.org", password: "a short sentence", code: "123456" });
  });

  it("says whom to ask for a lost password, or sends a letter", async () => {
    serve({});
    const { unmount } = show(<SignIn session={session} />);
    await userEvent.click(screen.getByRole("button", { name: "I lost my password" }));
    expect(pageText()).toContain("whoever runs this installation");
    unmount();
    const asked = serve({ "POST /api/reset": new Response(null, { status: 204 }) });
    show(<SignIn session={{ ...session, sendsLetters: true }} />);
    await userEvent.type(screen.getByRole("textbox", { name: /^E-mail/ }), "ilse@example.org");
    await userEvent.click(screen.getByRole("button", { name: "I lost my password" }));
    await userEvent.click(screen.getByRole("button", { name: "Send me a link" }));
    await screen.findByText(/a letter with a link is on its way/);
    expect(asked[0]?.body).toEqual({ email: "ilse@example.org" });
  });
});

describe("a link for a lost password", () => {
  it("says that it was used", async () => {
    serve({});
    show(<Reset />, undefined, "/reset/abc");
    await screen.findByText("Nothing is here");
  });
});

describe("what a browser calls itself", () => {
  it.each([
    [here.agent, "Firefox on Linux"],
    ["Mozilla/5.0 (iPhone; CPU iPhone OS 18_0 like Mac OS X) Version/18.0 Safari/604.1", "Safari on iOS"],
    ["curl/8.0", "A program"],
  ])("%s", (agent, said) => {
    expect(browserOf(agent)).toBe(said);
  });
});
