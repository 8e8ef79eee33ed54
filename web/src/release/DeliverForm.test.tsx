import { fireEvent, screen, waitFor } from "@testing-library/react";
import { beforeEach, expect, it, vi } from "vitest";
import { asked, serve } from "../../testing/server";
import { show, standing } from "../../testing/view";
import { DeliverForm } from "./DeliverForm";

const property = standing().property;

const system = {
  kind: "API",
  address: "https://www.tarrin.example/content",
  user: "editor",
  secret: null,
  hasSecret: true,
  privateAllowed: false,
  parallel: 4,
  pauseMs: 0,
  template: null,
};

const open = (approved: number, onReleased = vi.fn()) => {
  show(
    <DeliverForm property={property} approved={approved} selected={{ ids: [3, 4] }} onReleased={onReleased} />,
    "/p/7/release",
  );
  return onReleased;
};

beforeEach(() => {
  serve("GET /api/properties/7/handover-formats", ["csv", "html"]);
  serve("GET /api/properties/7/handover-objections", []);
  serve("GET /api/properties/7/content-system", { settings: system });
  serve("GET /api/properties/7/items/ids", [3]);
  serve("POST /api/properties/7/pushes", { release: { id: 9 }, texts: {}, items: {}, says: "" });
});

it("puts what is selected into a release under a name, to be pushed", async () => {
  const onReleased = open(5);
  fireEvent.change(await screen.findByLabelText("Deliver as"), { target: { value: "push" } });
  fireEvent.change(screen.getByLabelText("Name"), { target: { value: "Tours" } });
  fireEvent.change(screen.getByLabelText("Reason"), { target: { value: " Agreed. " } });
  fireEvent.click(screen.getByLabelText("Only the selected items"));
  await waitFor(() =>
    expect((screen.getByRole("button", { name: "Put into a release" }) as HTMLButtonElement).disabled).toBe(false),
  );
  fireEvent.click(screen.getByRole("button", { name: "Put into a release" }));
  await waitFor(() => expect(onReleased).toHaveBeenCalledWith(9));
  expect(asked("POST /api/properties/7/pushes")[0].body).toEqual({
    selection: { ids: [3, 4] },
    name: "Tours",
    reason: "Agreed.",
  });
});

it("asks how the content system is reached before anything can be pushed", async () => {
  serve("GET /api/properties/7/content-system", { settings: null });
  open(5);
  fireEvent.change(await screen.findByLabelText("Deliver as"), { target: { value: "push" } });
  expect(await screen.findByRole("dialog", { name: "Content system" })).toBeTruthy();
  const put = await screen.findByText("Put into a release");
  expect((put.closest("button") as HTMLButtonElement).disabled).toBe(true);
});

it("delivers nothing where nothing is approved", async () => {
  open(0);
  expect(((await screen.findByRole("button", { name: "Deliver" })) as HTMLButtonElement).disabled).toBe(true);
  expect(screen.queryByLabelText("Only the selected items")).toBeNull();
  expect(asked("GET /api/properties/7/handover-objections")).toHaveLength(0);
});
