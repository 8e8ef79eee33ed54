import { fireEvent, screen, waitFor, within } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, expect, it } from "vitest";
import { asked, Problem, serve } from "../../../testing/server";
import { item, show, standing } from "../../../testing/view";
import { Aim } from "../Aim";
import { LackingWords } from "../targets/LackingWords";

const topic = (id: number, name: string, byHand = 0) => ({
  id,
  topic: name,
  strongest: name,
  keywords: 3,
  volume: 900,
  clicks: 40,
  impressions: 800,
  withItem: 1,
  items: 1,
  byHand,
});

const WORDS = {
  pages: 6,
  ofPages: [{ text: "low tide", texts: 5, weight: 9 }],
  queries: 0,
  ofQueries: [],
  rivals: 0,
  ofRivals: [],
};

beforeEach(() => {
  serve("GET /api/properties/7/standing", standing());
  serve("GET /api/properties/7/jobs", []);
  serve("GET /api/properties/7/topics", { total: 2, rows: [topic(4, "seal tour", 3), topic(9, "kayak hire")] });
  serve("GET /api/properties/7/topics/words", WORDS);
  serve("GET /api/properties/7/keywords", {
    total: 2,
    rows: [
      { id: 4, phrase: "seal tour", volume: 700, address: "https://t.example/seals" },
      { id: 5, phrase: "seal boat", volume: null, address: null },
    ],
  });
});

it("joins topics under a name, and takes keywords out of one", async () => {
  serve("POST /api/properties/7/topics/merge", {});
  serve("POST /api/properties/7/topics/split", {});
  serve("POST /api/properties/7/keywords/topic", {});
  show(<Aim />, "/p/7/aim?side=topics");
  await screen.findByText("kayak hire");
  const boxes = screen.getAllByRole("checkbox", { name: /^select/i });
  fireEvent.click(boxes[1]);
  fireEvent.click(boxes[2]);
  await userEvent.type(screen.getByLabelText("Name of the one topic"), "on the water");
  fireEvent.click(screen.getByRole("button", { name: "Make them one topic" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/topics/merge")[0]?.body).toEqual({ ids: [4, 9], name: "on the water" }),
  );
  await userEvent.click(screen.getByText("seal tour"));
  const panel = within(await screen.findByLabelText("Topic seal tour"));
  expect((await panel.findByText("low tide")).textContent).toBe("low tide 5");
  expect(panel.getByText("Words of the 6 pages that fit it")).toBeTruthy();
  expect(panel.queryByText(/rival/)).toBeNull();
  fireEvent.click(await panel.findByLabelText("seal boat"));
  await userEvent.type(panel.getByLabelText("A topic of their own for 1 keyword"), "boats");
  fireEvent.click(panel.getByRole("button", { name: "Take them out" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/topics/split")[0]?.body).toEqual({
      topic: "seal tour",
      ids: [5],
      name: "boats",
    }),
  );
  fireEvent.click(panel.getByRole("button", { name: "Work this topic out again" }));
  await waitFor(() =>
    expect(asked("POST /api/properties/7/keywords/topic")[0]?.body).toEqual({
      selection: { filter: { topic: "seal tour" } },
      topic: "",
    }),
  );
  fireEvent.click(screen.getByRole("button", { name: "keywords without an item" }));
  await waitFor(() =>
    expect(asked("GET /api/properties/7/topics").slice(-1)[0].query).toMatchObject({ sort: "without", desc: "true" }),
  );
});

it("says which words an item lacks once that is asked, or why none are known", async () => {
  const LACKING = "GET /api/items/1/lacking";
  serve(LACKING, { ...WORDS, rivals: 3, ofRivals: [{ text: "carbon", texts: 2, weight: 4 }] });
  const first = show(<LackingWords propertyId={7} item={item(1)} />);
  expect(asked(LACKING)).toHaveLength(0);
  fireEvent.click(screen.getByText("Words that others use and it does not"));
  expect(await screen.findByText("Words of 3 rivals in the results")).toBeTruthy();
  expect(screen.getByText("carbon").getAttribute("title")).toBe("in 2 rivals of 3");
  first.unmount();
  serve(LACKING, { ...WORDS, pages: 0 });
  const second = show(<LackingWords propertyId={7} item={item(1)} />);
  fireEvent.click(screen.getByText("Words that others use and it does not"));
  expect(await screen.findByText(/It has no keyword/)).toBeTruthy();
  second.unmount();
  serve(LACKING, new Problem(404, "Item 1 is gone."));
  show(<LackingWords propertyId={7} item={item(1)} />);
  fireEvent.click(screen.getByText("Words that others use and it does not"));
  expect(await screen.findByText("Item 1 is gone.")).toBeTruthy();
});
