/** What a phone's thumb bar has no room for stands in the menu as well. */
export const rarer = { to: "/look-back", label: "Looking back" };
