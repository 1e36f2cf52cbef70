import "@fontsource-variable/atkinson-hyperlegible-next";
import "@fontsource/newsreader/500.css";
import "@fontsource/newsreader/400-italic.css";
import "@mantine/core/styles/baseline.css";
import "@mantine/core/styles/default-css-variables.css";
import "@mantine/core/styles/global.css";
import "@mantine/core/styles/ScrollArea.css";
import "@mantine/core/styles/UnstyledButton.css";
import "@mantine/core/styles/VisuallyHidden.css";
import "@mantine/core/styles/Paper.css";
import "@mantine/core/styles/Popover.css";
import "@mantine/core/styles/CloseButton.css";
import "@mantine/core/styles/Group.css";
import "@mantine/core/styles/Loader.css";
import "@mantine/core/styles/Overlay.css";
import "@mantine/core/styles/ModalBase.css";
import "@mantine/core/styles/Input.css";
import "@mantine/core/styles/InlineInput.css";
import "@mantine/core/styles/Flex.css";
import "@mantine/core/styles/FloatingIndicator.css";
import "@mantine/core/styles/ActionIcon.css";
import "@mantine/core/styles/Button.css";
import "@mantine/core/styles/Checkbox.css";
import "@mantine/core/styles/Combobox.css";
import "@mantine/core/styles/Drawer.css";
import "@mantine/core/styles/Menu.css";
import "@mantine/core/styles/Modal.css";
import "@mantine/core/styles/NumberInput.css";
import "@mantine/core/styles/PasswordInput.css";
import "@mantine/core/styles/Pill.css";
import "@mantine/core/styles/PillsInput.css";
import "@mantine/core/styles/Progress.css";
import "@mantine/core/styles/Radio.css";
import "@mantine/core/styles/SegmentedControl.css";
import "@mantine/core/styles/Skeleton.css";
import "@mantine/core/styles/Slider.css";
import "@mantine/core/styles/Stack.css";
import "@mantine/core/styles/Switch.css";
import "./styles.css";
import "./utilities.css";
import { MantineProvider } from "@mantine/core";
import { MutationCache, QueryCache, QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { type ReactNode, StrictMode, startTransition, useLayoutEffect } from "react";
import { createRoot } from "react-dom/client";
import { RouterProvider } from "react-router";
import { Problem } from "./api/client";
import { takeGiven } from "./api/given";
import { router } from "./routes";
import { IfNotices } from "./shell/IfNotices";
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
  // Without a connection a request fails at once and says so; it does not wait in silence.
  defaultOptions: {
    queries: { staleTime: 10_000, retry, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});
takeGiven(queries, document.getElementById("given-data")?.textContent);
const nonce = document.querySelector('meta[name="style-nonce"]')?.getAttribute("content") ?? "";
const root = document.getElementById("root");
if (!root) throw new Error("the page has no root");

/** The page as it was drawn before any script goes when there is something in its place. */
function InsteadOfShell({ children }: { children: ReactNode }) {
  useLayoutEffect(() => document.getElementById("shell")?.remove(), []);
  return children;
}

const page = (
  <StrictMode>
    <MantineProvider
      theme={theme}
      cssVariablesResolver={variables}
      defaultColorScheme="auto"
      getStyleNonce={() => nonce}
    >
      <IfNotices />
      <QueryClientProvider client={queries}>
        <InsteadOfShell>
          <RouterProvider router={router} />
        </InsteadOfShell>
      </QueryClientProvider>
    </MantineProvider>
  </StrictMode>
);
/** Draws the page in small pieces, so that a slow phone answers in between. */
const draw = () => startTransition(() => createRoot(root).render(page));

// What the page says before any script runs stays until the view that says it better is there.
if (router.state.initialized) draw();
else {
  const stop = router.subscribe((state) => {
    if (!state.initialized) return;
    stop();
    draw();
  });
}
