import { Button, Textarea } from "@mantine/core";
import { useDebouncedValue, useHotkeys } from "@mantine/hooks";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ItemRow, type SideBySide, type TypedCell } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { ConflictDialog } from "../parts/ConflictDialog";
import { inForce } from "../parts/fields";
import { atStake, count, of } from "../parts/number";
import { QueryProblem } from "../parts/QueryProblem";
import { SidePanel } from "../parts/SidePanel";
import { saveTexts } from "../parts/saveTexts";
import { TrueMeasure } from "../parts/TrueMeasure";
import { tell } from "../parts/tell";
import { useConflicts } from "../parts/useConflicts";
import css from "./WordingsPanel.module.css";

const MOST = 6;

interface Props {
  propertyId: number;
  itemId: number;
  field: "title" | "description";
  onClose: () => void;
}

/** Up to six wordings of a text side by side, small changes that reach more, and the rivals they stand among. */
export function WordingsPanel({ propertyId, itemId, field, onClose }: Props) {
  const item = useQuery({
    queryKey: ofProperty(propertyId, "item", itemId),
    queryFn: () => answer(api.GET("/api/items/{id}", { params: { path: { id: itemId } } })),
    meta: { shown: true },
  });
  return (
    <SidePanel label="Other wordings" title={`Wordings of the ${field}`} width={620} onClose={onClose}>
      {item.error && <QueryProblem query={item} />}
      {item.data && <Wordings propertyId={propertyId} item={item.data} field={field} onTaken={onClose} />}
    </SidePanel>
  );
}

function Wordings({
  propertyId,
  item,
  field,
  onTaken,
}: {
  propertyId: number;
  item: ItemRow;
  field: "title" | "description";
  onTaken: () => void;
}) {
  const now = inForce(item[field]);
  const [texts, setTexts] = useState([now]);
  const [asked] = useDebouncedValue(texts, 150);
  const compared = useQuery({
    queryKey: ofProperty(propertyId, "wordings", item.id, field, asked),
    queryFn: ({ signal }) =>
      answer(
        api.POST("/api/items/{id}/wordings", {
          params: { path: { id: item.id } },
          body: { field, texts: asked },
          signal,
        }),
      ),
    placeholderData: keepPreviousData,
  });
  const conflicts = useConflicts();
  const save = useChange(propertyId, (cell: TypedCell) => saveTexts(propertyId, [cell]), "says its problems");
  const take = (text: string | undefined, insist = false): void => {
    if (text === undefined || text === now) return;
    save.mutateAsync({ itemId: item.id, field, text, from: insist ? undefined : now }).then(
      () => {
        tell("Drafted. ctrl + Z undoes it.");
        onTaken();
      },
      (problem: Error) => conflicts.meet(problem, () => take(text, true)),
    );
  };
  useHotkeys(Array.from({ length: MOST }, (_, i) => [`${i + 1}`, () => take(texts[i])]));
  const add = (text: string) => setTexts((now) => (now.length < MOST && !now.includes(text) ? [...now, text] : now));
  const { data } = compared;
  return (
    <div className={css.wordings}>
      <ConflictDialog insist="Overwrite with mine" {...conflicts.dialog} />
      {compared.error && <QueryProblem query={compared} />}
      <ol className={css.list}>
        {texts.map((text, i) => (
          <li key={i} aria-label={`Wording ${i + 1}`}>
            <Textarea
              autosize
              minRows={1}
              aria-label={`Wording ${i + 1}`}
              value={text}
              onChange={(event) => {
                const changed = event.currentTarget.value;
                setTexts((now) => now.map((each, k) => (k === i ? changed : each)));
              }}
            />
            {data?.wordings[i] && <Facts wording={data.wordings[i]} keyword={item.aim?.keyword ?? ""} />}
            <span className={css.tools}>
              <Button size="compact-xs" disabled={text === now} loading={save.isPending} onClick={() => take(text)}>
                Take {i + 1}
              </Button>
              {texts.length > 1 && (
                <Button
                  size="compact-xs"
                  variant="subtle"
                  onClick={() => setTexts((now) => now.filter((_, k) => k !== i))}
                >
                  Remove
                </Button>
              )}
            </span>
          </li>
        ))}
      </ol>
      <Button
        size="compact-xs"
        variant="default"
        disabled={texts.length >= MOST}
        onClick={() => setTexts((now) => [...now, now[0]])}
      >
        Add a wording
      </Button>
      {data && data.offers.length > 0 && (
        <section>
          <h3>Small changes that reach more</h3>
          <ul className={css.offers}>
            {data.offers.map((offer) => (
              <li key={offer.text}>
                <span>
                  {offer.text}
                  <small>
                    {offer.says}
                    {offer.gained > 0 && `, ${of(Math.round(offer.gained), "search", "searches")} a month more`}
                  </small>
                </span>
                <Button
                  size="compact-xs"
                  variant="default"
                  disabled={texts.length >= MOST || texts.includes(offer.text)}
                  onClick={() => add(offer.text)}
                >
                  Add
                </Button>
              </li>
            ))}
          </ul>
        </section>
      )}
      {data && <Rivals data={data} field={field} />}
    </div>
  );
}

type Wording = SideBySide["wordings"][number];

/** What there is to say of one wording; no sum of it all. */
function Facts({ wording, keyword }: { wording: Wording; keyword: string }) {
  const { fit, reach, left } = wording;
  return (
    <>
      <TrueMeasure text={wording.text} fit={fit} size={fit.desktopLines > 1 ? 12 : 13} />
      <p className={css.facts}>
        <span>
          {count(Math.round(fit.px))} px, {of(fit.chars, "character")}
        </span>
        {fit.says && <b>{fit.says}</b>}
        {keyword && (
          <span>
            {wording.lacks.length > 0
              ? `lacks ${wording.lacks.join(", ")}`
              : wording.keywordAt === 0
                ? "keyword first"
                : `keyword after ${of(wording.keywordAt ?? 0, "word")}`}
          </span>
        )}
        <span>
          covers {of(Math.round(reach.searches), "search", "searches")} a month ({of(reach.keywords, "keyword")})
        </span>
        {wording.likeRival > 0 && <span>{Math.round(wording.likeRival * 100)}% like a rival’s</span>}
        {left.high >= 0.5 && <span>{atStake(left)} left</span>}
        {wording.found.map((found) => (
          <span key={found.label} title={found.evidence}>
            {found.label}
          </span>
        ))}
      </p>
    </>
  );
}

/** The results for the keyword, with the first wording among them, and what most of them have. */
function Rivals({ data, field }: { data: SideBySide; field: "title" | "description" }) {
  const own = data.rivals.findIndex((rival) => rival.ours);
  const [position, setPosition] = useState<number>();
  if (data.rivals.length === 0) return null;
  const others = data.rivals.filter((rival) => !rival.ours);
  const place = Math.min(others.length, position ?? Math.max(0, own));
  const lines = others.map((rival) => ({
    ours: false,
    address: rival.address,
    text: field === "title" ? rival.title : rival.description,
    fit: rival.fit,
  }));
  const [mine] = data.wordings;
  lines.splice(place, 0, { ours: true, address: "", text: mine.text, fit: mine.fit });
  const traits = data.compared ? [...data.compared.words, ...data.compared.features] : [];
  return (
    <section>
      <h3>Among the results for the keyword</h3>
      {traits.length > 0 && data.compared && (
        <ul className={css.traits}>
          {traits.map((trait) => (
            <li key={trait.what} className={trait.ours ? undefined : css.lacking}>
              {trait.titles === 0
                ? `only ours has ${trait.what}`
                : `${count(trait.titles)} of ${count(data.compared?.titles ?? 0)}: ${trait.what}`}
              {!trait.ours && <span>, not ours</span>}
            </li>
          ))}
        </ul>
      )}
      <ol className={css.rivals}>
        {lines.map((line, i) => (
          <li key={`${line.address} ${i}`} className={line.ours ? css.ours : undefined}>
            <span className={css.place}>{i + 1}</span>
            <span className={css.result}>
              <small>{line.ours ? "ours, wording 1" : line.address.replace(/^https?:\/\//, "")}</small>
              <TrueMeasure text={line.text || "none"} fit={line.fit} size={field === "title" ? 13 : 12} />
            </span>
            {line.ours && (
              <span className={css.moves}>
                <button type="button" disabled={place === 0} onClick={() => setPosition(place - 1)}>
                  higher
                </button>
                <button type="button" disabled={place === others.length} onClick={() => setPosition(place + 1)}>
                  lower
                </button>
              </span>
            )}
          </li>
        ))}
      </ol>
      {data.compared && data.compared.letters > 0 && (
        <p className={css.facts}>Their titles have {of(data.compared.letters, "character")} in the middle.</p>
      )}
    </section>
  );
}
