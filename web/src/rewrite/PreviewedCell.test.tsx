import { screen } from "@testing-library/react";
import { expect, it } from "vitest";
import { show } from "../../testing/view";
import type { Cell, PreviewRow } from "../api/client";
import { PreviewedCell } from "./PreviewedCell";

const OLD = "Carved by hand in our shed, oiled three times and signed.";

function preview(lines: number, captured: string, after: string) {
  const fit = { desktopLines: lines, says: "", seen: after.length, chars: after.length, px: 400 };
  const cell = { captured, draft: null, fit: null, kept: null, lacks: [] } as unknown as Cell;
  const row = { itemId: 1, after, fit, result: "changed", leftOut: [] } as unknown as PreviewRow;
  show(<PreviewedCell cell={cell} preview={row} ofParts={false} />);
}

it.each([
  ["added: Sent within two days.", 2, OLD, `${OLD}\n\nSent within two days.`],
  ["removed: Sent within two days.", 2, `${OLD}\n\nSent within two days.`, OLD],
  [OLD, 2, OLD, "Signed, oiled and carved by hand."],
  ["Ash paddle", 1, "Ash paddle", "Ash paddle, signed"],
  [OLD, 2, `${OLD} `, OLD],
  ["none", 2, "", "Sent within two days."],
])("says above the new text: %s", (above, lines, old, after) => {
  preview(lines, old, after);
  expect(screen.getByText(above)).toBeDefined();
});
