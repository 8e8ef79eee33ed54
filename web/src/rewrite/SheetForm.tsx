import { Button, Checkbox } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type Field, type Selection, type SheetView, upload } from "../api/client";
import { useChange } from "../api/queries";
import { ChooseFile } from "../parts/ChooseFile";
import { fieldLabel } from "../parts/fields";
import { of, pathOf } from "../parts/number";
import { saveAnswer } from "../parts/saveAnswer";
import { tell, tellProblem } from "../parts/tell";
import css from "./Rewrite.module.css";

interface Props {
  propertyId: number;
  selection: Selection;
  listings: boolean;
  onDone: () => void;
}

/** Sends texts out in a sheet for people who write elsewhere, and takes back what they wrote. */
export function SheetForm({ propertyId, selection, listings, onDone }: Props) {
  const [fields, setFields] = useState<Field[]>(["title", "description"]);
  const sheets = `/api/properties/${propertyId}/writers-sheets`;
  const download = useMutation({
    mutationFn: (name: string) => saveAnswer(`${sheets}/${name}`, { selection, fields }, name),
    onError: tellProblem,
  });
  const look = useMutation({
    mutationFn: (file: File) => upload<SheetView>(sheets, file),
    onError: tellProblem,
  });
  const take = useChange(propertyId, ({ token, overwrite }: { token: string; overwrite: boolean }) =>
    answer(
      api.POST("/api/properties/{propertyId}/writers-sheets/{token}/take", {
        params: { path: { propertyId, token } },
        body: { overwrite },
      }),
    ),
  );
  const offered: Field[] = ["title", "description", listings ? "tags" : "h1"];
  const takeIt = (sheet: SheetView, overwrite: boolean) =>
    take.mutateAsync({ token: sheet.token, overwrite }).then(
      (batch) => {
        tell(`${of(batch.items, "text")} drafted. ctrl + Z undoes it.`);
        onDone();
      },
      () => undefined,
    );
  const sheet = look.data;
  return (
    <div className={css.form}>
      <p>
        The sheet has each text as it is, and beside it a cell to write in. In the workbook only those cells can be
        changed, and formulas say how many characters and px are left.
      </p>
      <div className={css.checks}>
        {offered.map((field) => (
          <Checkbox
            key={field}
            size="xs"
            label={field === "h1" ? "H1" : `${field}${field === "tags" ? "" : "s"}`}
            checked={fields.includes(field)}
            onChange={() =>
              setFields((before) =>
                offered.filter((each) => (each === field ? !before.includes(each) : before.includes(each))),
              )
            }
          />
        ))}
      </div>
      <div className={css.buttons}>
        <Button
          disabled={fields.length === 0}
          loading={download.isPending}
          onClick={() => download.mutate("texts.xlsx")}
        >
          Download XLSX
        </Button>
        <Button
          variant="default"
          disabled={fields.length === 0 || download.isPending}
          onClick={() => download.mutate("texts.csv")}
        >
          Download CSV
        </Button>
      </div>
      <h3>When it comes back</h3>
      <ChooseFile accept=".xlsx,.csv" label="Open the sheet" loading={look.isPending} onFile={look.mutate} />
      {sheet && (
        <section aria-label="What came back">
          <p>
            <strong>{of(sheet.changed, "text")}</strong> written
            {sheet.same > 0 && `, ${of(sheet.same, "more", "more")} here already`}
            {sheet.gone > 0 && `, ${of(sheet.gone, "text")} of items that are gone or kept`}, in {of(sheet.rows, "row")}
            .
          </p>
          {sheet.conflicts > 0 && (
            <>
              <p>{of(sheet.conflicts, "text")} changed here, too, since the sheet went out:</p>
              <ul className={css.sides}>
                {sheet.shown.map((each) => (
                  <li key={`${each.itemId} ${each.field}`}>
                    <b>
                      {fieldLabel(each.field)} of {pathOf(each.address)}
                    </b>
                    <dl>
                      <dt>went out</dt>
                      <dd>{each.seen || "none"}</dd>
                      <dt>here now</dt>
                      <dd>{each.now || "none"}</dd>
                      <dt>came back</dt>
                      <dd>{each.wanted}</dd>
                    </dl>
                  </li>
                ))}
              </ul>
            </>
          )}
          {sheet.notes.length > 0 && (
            <ul className={css.notes}>
              {sheet.notes.map((note) => (
                <li key={note}>{note}</li>
              ))}
            </ul>
          )}
          <div className={css.buttons}>
            <Button disabled={sheet.changed === 0} loading={take.isPending} onClick={() => takeIt(sheet, false)}>
              Draft {of(sheet.changed, "text")}
            </Button>
            {sheet.conflicts > 0 && (
              <Button variant="default" loading={take.isPending} onClick={() => takeIt(sheet, true)}>
                Overwrite the {sheet.conflicts} as well
              </Button>
            )}
          </div>
        </section>
      )}
    </div>
  );
}
