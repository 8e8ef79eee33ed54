import { Button, Modal } from "@mantine/core";
import { useCallback, useMemo, useState } from "react";
import type { KeywordRow } from "../../api/client";
import { useChoice } from "../../parts/choice";
import { TableLinks } from "../../parts/FileLink";
import { Grid } from "../../parts/Grid";
import { useListKey } from "../../parts/ListDialog";
import { count } from "../../parts/number";
import stage from "../../parts/stage.module.css";
import css from "../Aim.module.css";
import { AddKeywords } from "./AddKeywords";
import { KeywordBatch } from "./KeywordBatch";
import { KeywordCloseUp } from "./KeywordCloseUp";
import { KeywordFilters } from "./KeywordFilters";
import { KEYWORD_COLUMNS } from "./keywordColumns";
import { useKeywordChoices, useKeywords } from "./useKeywords";

export function KeywordTable({ propertyId, home }: { propertyId: number; home?: "without" }) {
  const { filter, by, desc, rows, set, sortBy, csv } = useKeywords(propertyId, home);
  const choices = useKeywordChoices(propertyId).data;
  const columns = useMemo(
    () => KEYWORD_COLUMNS.filter((column) => column.key !== "broad" || choices?.broad),
    [choices?.broad],
  );
  const narrowed = Object.entries(filter).some(([name, value]) => name !== "home" && value !== undefined);
  const choice = useChoice();
  const [hand, setHand] = useState<KeywordRow>();
  const [adding, setAdding] = useState(false);
  const listing = useListKey(propertyId, (row: KeywordRow) => ({ selection: { ids: [row.id] } }));
  const follow = useCallback(
    (row: KeywordRow | undefined, again: boolean) => row && setHand((now) => (again && !now ? now : row)),
    [],
  );
  return (
    <>
      <div className={css.line}>
        <strong>{rows.total === undefined ? "–" : count(rows.total)} keywords</strong>
        <KeywordFilters propertyId={propertyId} filter={filter} set={set} />
        <Button size="xs" variant="default" onClick={() => setAdding(true)} ml="auto" flex="none">
          Add keywords
        </Button>
        <Modal opened={adding} onClose={() => setAdding(false)} title="Add keywords" size="lg">
          <AddKeywords propertyId={propertyId} />
        </Modal>
        <TableLinks csv={csv} />
      </div>
      <div className={stage.split}>
        <div className={stage.table}>
          <Grid
            label="Keywords"
            columns={columns}
            rows={rows}
            idOf={(row) => row.id}
            sort={by}
            desc={desc}
            onSort={sortBy}
            choice={choice}
            onCursor={follow}
            onKey={listing.onKey}
            empty={
              narrowed ? (
                "No keyword is like this."
              ) : home ? (
                "Every keyword has an item. Keywords without one are listed here, as ideas for new pages."
              ) : (
                <div className={css.begin}>
                  <p>No keywords yet. Add some, and each is given the item that fits it best.</p>
                  <Button onClick={() => setAdding(true)}>Add a list</Button>
                </div>
              )
            }
          />
          <KeywordBatch propertyId={propertyId} choice={choice} filter={filter} total={rows.total ?? 0} />
        </div>
        {listing.dialog}
        {hand && <KeywordCloseUp propertyId={propertyId} row={hand} onClose={() => setHand(undefined)} />}
      </div>
    </>
  );
}
