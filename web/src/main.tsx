import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource-variable/newsreader";
import "@fontsource-variable/newsreader/wght-italic.css";
import "@mantine/core/styles.css";
import "@mantine/notifications/styles.css";
import "./styles.css";
import { MantineProvider } from "@mantine/core";
import { Notifications } from "@mantine/notifications";
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { Problem } from "./api/client";
import { router } from "./routes";
import { theme, variables } from "./theme";

// A refusal will not change by asking again; a server that is away may come back.
const retry = (failures: number, error: Error) =>
  !(error instanceof Problem && error.status >= 400 && error.status < 500) && failures < 2;
// A session that ended elsewhere shows the door again; what was typed is kept on the device.
const onError = (error: Error) => {
  if (error instanceof Problem && error.status === 401) void queries.invalidateQueries({ queryKey: ["session"] });
};
const queries: QueryClient = new QueryClient({
  queryCache: new QueryCache({ onError }),
  mutationCache: new MutationCache({ onError }),
  defaultOptions: { queries: { staleTime: 10_000, retry } },
});
const nonce = document.querySelector('meta[name="style-nonce"]')?.getAttribute("content") ?? "";
const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");

createRoot(root).render(
  <StrictMode>
    <MantineProvider
      theme={theme}
      cssVariablesResolver={variables}
      defaultColorScheme="auto"
      getStyleNonce={() => nonce}
    >
      <Notifications position="bottom-center" autoClose={7000} />
      <QueryClientProvider client={queries}>
        <RouterProvider router={router} />
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>,
);
