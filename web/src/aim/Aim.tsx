import { useSearchParams } from "react-router";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import css from "./Aim.module.css";
import { AimNav } from "./AimNav";
import { CurveView } from "./demand/CurveView";
import { DemandView } from "./demand/DemandView";
import { BetterKeywords } from "./ideas/BetterKeywords";
import { PagesToAdd } from "./ideas/PagesToAdd";
import { SharedQueries } from "./ideas/SharedQueries";
import { KeywordTable } from "./keywords/KeywordTable";
import { BrandView } from "./places/BrandView";
import { PlaceGrid } from "./places/PlaceGrid";
import { ReviewLists } from "./reviews/ReviewLists";
import { GroupView } from "./tags/GroupView";
import { TagTable } from "./tags/TagTable";
import { AimedItems } from "./targets/AimedItems";
import { Topics } from "./topics/Topics";

const VIEWS: Record<string, (propertyId: number) => React.ReactNode> = {
  keywords: (propertyId) => <KeywordTable key="keywords" propertyId={propertyId} />,
  homeless: (propertyId) => <KeywordTable key="homeless" propertyId={propertyId} home="without" />,
  items: (propertyId) => <AimedItems key="items" propertyId={propertyId} />,
  aimless: (propertyId) => <AimedItems key="aimless" propertyId={propertyId} target="without" />,
  better: (propertyId) => <BetterKeywords propertyId={propertyId} />,
  shared: (propertyId) => <SharedQueries propertyId={propertyId} />,
  pages: (propertyId) => <PagesToAdd propertyId={propertyId} />,
  tags: (propertyId) => <TagTable propertyId={propertyId} />,
  topics: (propertyId) => <Topics propertyId={propertyId} />,
  places: (propertyId) => <PlaceGrid propertyId={propertyId} />,
  brand: (propertyId) => <BrandView propertyId={propertyId} />,
  reviews: (propertyId) => <ReviewLists propertyId={propertyId} />,
  groups: (propertyId) => <GroupView propertyId={propertyId} />,
  demand: (propertyId) => <DemandView propertyId={propertyId} />,
  curve: (propertyId) => <CurveView propertyId={propertyId} />,
};

/** Keywords and the items that aim at them, seen from either side, and what the demand says of both. */
export function Aim() {
  const { propertyId, standing } = useProperty();
  const [search] = useSearchParams();
  const asked = search.get("side") ?? "keywords";
  const side = asked in VIEWS ? asked : "keywords";
  return (
    <div className={stage.stage}>
      <div className={stage.split}>
        <AimNav side={side} standing={standing} />
        <div className={css.main}>{VIEWS[side](propertyId)}</div>
      </div>
    </div>
  );
}
