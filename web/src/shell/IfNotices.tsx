import { notificationsStore, useNotifications } from "@mantine/notifications";
import { lazy, Suspense } from "react";

const Notices = lazy(() => import("./Notices"));

/** Notices, fetched when there is the first one to show. */
export function IfNotices() {
  const { notifications } = useNotifications(notificationsStore);
  if (notifications.length === 0) return null;
  return (
    <Suspense>
      <Notices />
    </Suspense>
  );
}
