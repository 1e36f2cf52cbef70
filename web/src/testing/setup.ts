import { notifications } from "@mantine/notifications";
import { cleanup, configure } from "@testing-library/react";
import { afterEach } from "vitest";

// A busy machine is no failure: only what never comes takes so long.
configure({ asyncUtilTimeout: 20_000 });

// All tests share one page: each leaves it empty, whatever was drawn beside the views.
afterEach(() => {
  cleanup();
  notifications.clean();
  document.body.replaceChildren();
});
