import type { LineState, PushView } from "../../api/client";

/** The states of a text on its way, in the order in which they are shown, as people say them. */
export const STATES: { state: LineState; says: string }[] = [
  { state: "waiting", says: "waiting" },
  { state: "sending", says: "being sent" },
  { state: "pushed", says: "pushed" },
  { state: "in-place", says: "in place already" },
  { state: "changed", says: "changed meanwhile" },
  { state: "refused", says: "refused" },
  { state: "failed", says: "failed" },
  { state: "left", says: "left out" },
  { state: "returning", says: "to be taken back" },
  { state: "restoring", says: "being taken back" },
  { state: "returned", says: "taken back" },
  { state: "changed-since", says: "changed since" },
];

export const stateInWords = (state: LineState) => STATES.find((each) => each.state === state)?.says ?? state;

/** How many texts of a release are in any of some states. */
export const textsIn = (push: PushView, ...states: LineState[]) =>
  states.reduce((sum, state) => sum + (push.texts[state] ?? 0), 0);

/** The same of items. */
export const itemsIn = (push: PushView, ...states: LineState[]) =>
  states.reduce((sum, state) => sum + (push.items[state] ?? 0), 0);

/** How a release is called: by its name, or its number. */
export const nameOf = (release: { id: number; name: string }) => release.name || `Release ${release.id}`;
