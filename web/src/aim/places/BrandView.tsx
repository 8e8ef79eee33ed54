import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { answer, api } from "../../api/client";
import { ofProperty } from "../../api/queries";
import { count, of } from "../../parts/number";
import { PlainTable } from "../../parts/PlainTable";
import { QueryProblem } from "../../parts/QueryProblem";
import { searchOf } from "../../parts/searchOf";
import css from "../Aim.module.css";
import { Scrolled } from "../Scrolled";

const KINDS = {
  AS_NAMED: "as it is named",
  OTHER_FORM: "another form of its words",
  JOINED_UP: "joined up",
  SLIP: "a slip",
} as const;

/** How people write the client's names. */
export function BrandView({ propertyId }: { propertyId: number }) {
  const brand = useQuery({
    queryKey: ofProperty(propertyId, "brand"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/brand", { params: { path: { propertyId } } })),
  });
  if (brand.error) return <QueryProblem query={brand} className={css.line} />;
  const found = brand.data?.found ?? [];
  return (
    <>
      <div className={css.line}>
        <h2>{brand.data ? `${of(found.length, "spelling")} found` : "Brand spellings"}</h2>
        {brand.data && <span className={css.soft}>of {brand.data.names.join(", ")}</span>}
      </div>
      <Scrolled label="Spellings of the brand">
        {brand.isPending && <div className={css.skeleton} aria-busy />}
        {brand.data && found.length === 0 && (
          <p className={css.soft}>
            No query and no keyword names the brand. Names and spellings of it are added where the client is changed.
          </p>
        )}
        {found.length > 0 && (
          <PlainTable
            dense
            head={[
              "impressions, 13 weeks",
              "spelling",
              "how it is written",
              "queries",
              "clicks",
              "position",
              "search volume",
            ]}
            right={[3, 4, 5, 6]}
          >
            <tbody>
              {found.map((each) => (
                <tr key={each.text}>
                  <td>{each.impressions === 0 ? "" : count(each.impressions)}</td>
                  <td>
                    <Link to={`/p/${propertyId}/aim?${searchOf({ side: "demand", q: each.text })}`}>{each.text}</Link>
                  </td>
                  <td>{each.kind && KINDS[each.kind]}</td>
                  <td className={css.number}>{each.queries === 0 ? "" : count(each.queries)}</td>
                  <td className={css.number}>{each.impressions === 0 ? "" : count(each.clicks)}</td>
                  <td className={css.number}>{each.position < 1 ? "" : each.position.toFixed(1)}</td>
                  <td className={css.number}>{each.searches === null ? "" : count(each.searches)}</td>
                </tr>
              ))}
            </tbody>
          </PlainTable>
        )}
        {brand.data && brand.data.likely.length > 0 && (
          <>
            <h3 className={css.part}>Likely spellings that nobody used</h3>
            <p className={css.soft}>{brand.data.likely.join(", ")}</p>
          </>
        )}
      </Scrolled>
    </>
  );
}
