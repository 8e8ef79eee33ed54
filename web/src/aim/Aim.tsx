import { SegmentedControl } from "@mantine/core";
import { useSearchParams } from "react-router";
import { JobStrip } from "../parts/JobStrip";
import { count } from "../parts/number";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { AddKeywords } from "./AddKeywords";
import css from "./Aim.module.css";
import { AimedItems } from "./AimedItems";
import { BetterKeywords } from "./BetterKeywords";
import { DemandView } from "./DemandView";
import { KeywordTable } from "./KeywordTable";
import { PagesToAdd } from "./PagesToAdd";
import { SharedQueries } from "./SharedQueries";
import { TagTable } from "./TagTable";

const SIDES = [
  { value: "keywords", label: "Keywords" },
  { value: "homeless", label: "Keywords without an item" },
  { value: "items", label: "Items" },
  { value: "aimless", label: "Items without a keyword" },
  { value: "better", label: "Better keywords" },
  { value: "shared", label: "Several items" },
  { value: "pages", label: "Pages to add" },
  { value: "demand", label: "Demand" },
];

const TAGS = { value: "tags", label: "Tags" };

/** Keywords and the items that aim at them, seen from either side, and what the demand says of both. */
export function Aim() {
  const { propertyId, property, standing } = useProperty();
  const [search, setSearch] = useSearchParams();
  const side = search.get("side") ?? "keywords";
  const ofKeywords = side === "keywords" || side === "homeless";
  return (
    <div className={stage.stage}>
      <JobStrip propertyId={propertyId} />
      <div className={stage.split}>
        {ofKeywords && (
          <div className={`${stage.side} ${css.narrow}`}>
            <AddKeywords propertyId={propertyId} />
            {standing && standing.keywords > 0 && (
              <p className={stage.soft}>
                {count(standing.aimed)} of {count(standing.indexable)} indexable items aim at a keyword. Each keyword
                has one home: the item that holds its words best in title, H1, address, headings, link texts and copy,
                or ranks for it already. What you set by hand stays.
              </p>
            )}
          </div>
        )}
        <div className={css.main}>
          <div className={css.sides}>
            <SegmentedControl
              size="xs"
              aria-label="Seen from"
              value={side}
              onChange={(value) => setSearch({ side: value })}
              data={property?.kind === "website" ? SIDES : [...SIDES, TAGS]}
            />
          </div>
          {ofKeywords && (
            <KeywordTable key={side} propertyId={propertyId} home={side === "homeless" ? "without" : undefined} />
          )}
          {(side === "items" || side === "aimless") && (
            <AimedItems key={side} propertyId={propertyId} target={side === "aimless" ? "without" : undefined} />
          )}
          {side === "better" && <BetterKeywords propertyId={propertyId} />}
          {side === "shared" && <SharedQueries propertyId={propertyId} />}
          {side === "pages" && <PagesToAdd propertyId={propertyId} />}
          {side === "tags" && <TagTable propertyId={propertyId} />}
          {side === "demand" && <DemandView propertyId={propertyId} />}
        </div>
      </div>
    </div>
  );
}
