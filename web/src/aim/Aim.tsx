import { SegmentedControl } from "@mantine/core";
import { useSearchParams } from "react-router";
import { JobStrip } from "../parts/JobStrip";
import { count } from "../parts/number";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { AddKeywords } from "./AddKeywords";
import css from "./Aim.module.css";
import { AimedItems } from "./AimedItems";
import { KeywordTable } from "./KeywordTable";

/** Keywords and the items that aim at them, seen from either side. */
export function Aim() {
  const { propertyId, standing } = useProperty();
  const [search, setSearch] = useSearchParams();
  const side = search.get("side") ?? "keywords";
  return (
    <div className={stage.stage}>
      <JobStrip propertyId={propertyId} />
      <div className={stage.split}>
        <div className={stage.side}>
          <AddKeywords propertyId={propertyId} />
          {standing && standing.keywords > 0 && (
            <p className={stage.soft}>
              {count(standing.aimed)} of {count(standing.indexable)} indexable items aim at a keyword. Each keyword has
              one home: the item that holds its words best in title, H1, address, headings, link texts and copy. What
              you set by hand stays.
            </p>
          )}
        </div>
        <div className={css.main}>
          <div className={css.sides}>
            <SegmentedControl
              size="xs"
              aria-label="Seen from"
              value={side}
              onChange={(value) => setSearch({ side: value })}
              data={[
                { value: "keywords", label: "Keywords" },
                { value: "homeless", label: "Keywords without an item" },
                { value: "items", label: "Items" },
                { value: "aimless", label: "Items without a keyword" },
              ]}
            />
          </div>
          {side === "items" || side === "aimless" ? (
            <AimedItems key={side} propertyId={propertyId} target={side === "aimless" ? "without" : undefined} />
          ) : (
            <KeywordTable key={side} propertyId={propertyId} home={side === "homeless" ? "without" : undefined} />
          )}
        </div>
      </div>
    </div>
  );
}
