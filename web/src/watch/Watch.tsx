import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { answer, api } from "../api/client";
import { ofProperty } from "../api/queries";
import { AcceptanceFigures } from "../parts/AcceptanceFigures";
import stage from "../parts/stage.module.css";
import { useProperty } from "../parts/useProperty";
import { CourseView } from "./CourseView";
import { DueView } from "./DueView";
import { EffectsView } from "./EffectsView";
import { MovesView } from "./MovesView";
import { PositionsView } from "./PositionsView";
import css from "./Watch.module.css";
import { type View, WatchNav } from "./WatchNav";

const VIEWS: Record<View, (propertyId: number) => React.ReactNode> = {
  course: (propertyId) => <CourseView propertyId={propertyId} />,
  positions: (propertyId) => <PositionsView propertyId={propertyId} />,
  moves: (propertyId) => <MovesView propertyId={propertyId} />,
  effects: (propertyId) => <EffectsView propertyId={propertyId} />,
  acceptance: (propertyId) => (
    <div className={css.view}>
      <header className={css.head}>
        <h1>Whose wording result pages show</h1>
      </header>
      <AcceptanceFigures propertyId={propertyId} />
    </div>
  ),
  due: (propertyId) => <DueView propertyId={propertyId} />,
};

/** What became of it: clicks and positions over time, sudden moves, what releases brought, and what is due. */
export function Watch() {
  const { propertyId } = useProperty();
  const [search] = useSearchParams();
  const asked = search.get("view") ?? "course";
  const view = asked in VIEWS ? (asked as View) : "course";
  const summary = useQuery({
    queryKey: ofProperty(propertyId, "watch-summary"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/watch/summary", { params: { path: { propertyId } } })),
  });
  return (
    <div className={stage.stage}>
      <div className={stage.split}>
        <WatchNav view={view} summary={summary.data} />
        {VIEWS[view](propertyId)}
      </div>
    </div>
  );
}
