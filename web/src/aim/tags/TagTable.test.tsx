import { screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, serve } from "../../../testing/server";
import { show, standing } from "../../../testing/view";
import { Aim } from "../Aim";

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing({}, { kind: "listings" }));
  serve("GET /api/properties/7/jobs", []);
});

it("lists the tags of a shop, and leads from one to its items and to edits that are filled in", async () => {
  serve("GET /api/properties/7/tags", {
    total: 1,
    rows: [
      {
        tag: "paddle",
        items: 12,
        searches: null,
        clicks: 4,
        impressions: 90,
        impressionsBefore: 60,
        monthly: [],
        lastMonth: "",
        peaks: "December",
        rate: 4 / 90,
        course: "RISING",
        oneWord: true,
        twins: ["paddles"],
        longer: [{ phrase: "ash paddle", searches: 300, shown: 0 }],
      },
    ],
  });
  const none = { clicks: 0, impressions: 0, rate: 0, position: 0 };
  serve("GET /api/properties/7/demand/window", {
    first: "2026-08-24",
    last: "2026-11-22",
    now: none,
    before: none,
    weeks: [],
    countries: [{ country: "ie", clicks: 4, impressions: 40, rate: 0.1 }],
  });
  show(<Aim />, "/p/7/aim?side=tags&kind=one-word");
  await userEvent.click(await screen.findByText("paddle"));
  expect(asked("GET /api/properties/7/tags")[0].query).toMatchObject({ kind: "one-word", sort: "items" });
  const panel = within(screen.getByLabelText("Tag paddle"));
  expect(panel.getByText(/No keyword list knows/).textContent).toContain("60 in the 13 before");
  expect((await panel.findByText("Ireland")).closest("li")?.textContent).toContain("10.0%");
  expect(panel.getByText("It is searched most in December.")).toBeTruthy();
  expect(asked("GET /api/properties/7/demand/window")[0].query).toEqual({ like: "paddle" });
  const link = (name: string) => panel.getAllByRole("link", { name })[0].getAttribute("href");
  expect(link("12 items")).toBe("/p/7/rewrite?q=paddle");
  expect(link("Remove it everywhere")).toBe("/p/7/rewrite?q=paddle&tool=remove-tags&on=tags&find=paddle");
  expect(panel.getAllByRole("link", { name: "Use this instead" })[1].getAttribute("href")).toBe(
    "/p/7/rewrite?q=paddle&tool=replace-tag&on=tags&find=paddle&with=ash+paddle",
  );
  await userEvent.type(screen.getByLabelText("Text in a tag"), "pad");
  await waitFor(() => expect(asked("GET /api/properties/7/tags").slice(-1)[0].query).toMatchObject({ q: "pad" }));
  expect(screen.getByRole("link", { name: "CSV" }).getAttribute("href")).toContain("tags.csv?kind=one-word&q=pad");
});

it("holds the groups against the keywords, and names the topics without one", async () => {
  serve("GET /api/properties/7/groups", {
    groupCount: 1,
    groups: [
      {
        name: "Paddles",
        items: 2,
        byName: ["ash paddle"],
        byNameCount: 3,
        byNameVolume: 900,
        keywords: 1,
        volume: 90,
        topics: [],
        thin: "only 2 items",
      },
    ],
    ungroupedCount: 1,
    ungrouped: [{ topic: "wall lamp", keywords: 2, volume: 20, served: 1, groups: ["Home"] }],
  });
  show(<Aim />, "/p/7/aim?side=groups");
  expect(await screen.findByText("thin: only 2 items")).toBeTruthy();
  expect(screen.getByText(/ash paddle and 2 more/)).toBeTruthy();
  expect(screen.getByText("its items have no keyword")).toBeTruthy();
  expect(screen.getByRole("link", { name: "Paddles" }).getAttribute("href")).toBe("/p/7/rewrite?section=Paddles");
  expect(screen.getByRole("link", { name: "wall lamp" }).getAttribute("href")).toBe("/p/7/aim?topic=wall+lamp");
});
