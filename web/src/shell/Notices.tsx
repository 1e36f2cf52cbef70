import "@mantine/core/styles/Notification.css";
import "@mantine/notifications/styles.css";
import { Notifications } from "@mantine/notifications";

/** Where notices stand: fetched behind the first screen, which has none. */
export default function Notices() {
  return <Notifications position="bottom-center" autoClose={7000} />;
}
