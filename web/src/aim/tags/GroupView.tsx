import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api, type GroupView as Groups } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { count, of } from "../../parts/number";
import { PlainTable } from "../../parts/PlainTable";
import { QueryProblem } from "../../parts/QueryProblem";
import { searchOf } from "../../parts/searchOf";
import css from "../Aim.module.css";
import { Scrolled } from "../Scrolled";

/** The sections, categories or playlists, held against what people search for. */
export function GroupView({ propertyId }: { propertyId: number }) {
  const groups = useQuery({
    queryKey: ofProperty(propertyId, "groups"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/groups", { params: { path: { propertyId } } })),
  });
  if (groups.error) return <QueryProblem query={groups} className={css.line} />;
  const data = groups.data;
  return (
    <>
      <div className={css.line}>
        <h2>{data ? of(data.groupCount, "group") : "–"}</h2>
        {data && (
          <span className={css.soft}>
            {of(data.groups.filter((group) => group.thin).length, "thin group")}, {of(data.ungroupedCount, "topic")}{" "}
            without a group.
          </span>
        )}
      </div>
      <Scrolled label="Groups">
        {data && data.groups.length === 0 && (
          <p className={css.soft}>
            No item is in a group yet. Sections, categories and playlists are taken from the column that holds them, or
            from the folders of a site.
          </p>
        )}
        {data && data.groups.length > 0 && <GroupTable propertyId={propertyId} groups={data.groups} />}
        {data && data.ungrouped.length > 0 && (
          <>
            <h3 className={css.part}>Topics without a group</h3>
            <Ungrouped propertyId={propertyId} topics={data.ungrouped} />
          </>
        )}
      </Scrolled>
    </>
  );
}

function GroupTable({ propertyId, groups }: { propertyId: number; groups: Groups["groups"] }) {
  return (
    <PlainTable
      head={[
        "items",
        "group",
        "keywords that its name covers",
        "search volume",
        "topics of its items",
        "search volume",
      ]}
      right={[3, 5]}
    >
      <tbody>
        {groups.map((group) => (
          <tr key={group.name}>
            <td>{count(group.items)}</td>
            <td>
              <Link to={`/p/${propertyId}/rewrite?${searchOf({ section: group.name })}`}>{group.name}</Link>
              {group.thin && <div className={css.soft}>thin: {group.thin}</div>}
            </td>
            <td className={css.phrases}>
              {group.byName.join(", ") || <span className={css.soft}>none</span>}
              {group.byNameCount > group.byName.length && ` and ${count(group.byNameCount - group.byName.length)} more`}
            </td>
            <td className={css.number}>{group.byNameVolume === 0 ? "" : count(group.byNameVolume)}</td>
            <td className={css.phrases}>
              {group.topics.join(", ") || <span className={css.soft}>its items have no keyword</span>}
            </td>
            <td className={css.number}>{group.volume === 0 ? "" : count(group.volume)}</td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}

function Ungrouped({ propertyId, topics }: { propertyId: number; topics: Groups["ungrouped"] }) {
  return (
    <PlainTable dense head={["search volume", "topic", "keywords", "with an item", "its items are in"]} right={[2, 3]}>
      <tbody>
        {topics.map((topic) => (
          <tr key={topic.topic}>
            <td>{topic.volume === 0 ? "" : count(topic.volume)}</td>
            <td>
              <Link to={`/p/${propertyId}/aim?${searchOf({ topic: topic.topic })}`}>{topic.topic}</Link>
            </td>
            <td className={css.number}>{count(topic.keywords)}</td>
            <td className={css.number}>{topic.served === 0 ? "" : count(topic.served)}</td>
            <td>{topic.groups.join(", ")}</td>
          </tr>
        ))}
      </tbody>
    </PlainTable>
  );
}
