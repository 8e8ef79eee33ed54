import { Button, Checkbox, NativeSelect, Textarea, TextInput } from "@mantine/core";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type HandoverObjection, type Property, type Selection } from "../api/client";
import { ofProperty, useChange } from "../api/queries";
import { of, pathOf } from "../parts/number";
import { FORMATS } from "./formats";
import { ContentSystemForm } from "./push/ContentSystemForm";
import { useContentSystem } from "./push/usePushes";
import css from "./Release.module.css";

const PUSH = "push";

interface Props {
  property: Property;
  approved: number;
  selected: Selection | null;
  /** A release that is pushed was put together. */
  onReleased: (id: number) => void;
}

/** What is delivered, how, under which name and why. */
export function DeliverForm({ property, approved, selected, onReleased }: Props) {
  const propertyId = property.id;
  const path = { params: { path: { propertyId } } };
  const formats = useQuery({
    queryKey: ofProperty(propertyId, "handover-formats"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/handover-formats", path)),
  }).data;
  const reached = useContentSystem(propertyId);
  const system = reached.data;
  const [settingUp, setSettingUp] = useState(false);
  const [chosen, setFormat] = useState<string>();
  const [name, setName] = useState("");
  const [reason, setReason] = useState("");
  const [holdBack, setHoldBack] = useState(false);
  const [onlySelected, setOnlySelected] = useState(false);
  const format = chosen ?? formats?.[0] ?? "csv";
  const pushed = format === PUSH;
  const objections = useQuery({
    queryKey: ofProperty(propertyId, "handover-objections"),
    queryFn: () => answer(api.GET("/api/properties/{propertyId}/handover-objections", path)),
    enabled: approved > 0,
  }).data;
  const what = {
    selection: onlySelected && selected ? selected : undefined,
    name: name.trim() || undefined,
    reason: reason.trim() || undefined,
    holdBack: holdBack || undefined,
  };
  const deliver = useChange(propertyId, async () =>
    pushed
      ? (await answer(api.POST("/api/properties/{propertyId}/pushes", { ...path, body: what }))).release.id
      : (await answer(api.POST("/api/properties/{propertyId}/handovers", { ...path, body: { ...what, format } }))).id,
  );
  const delivered = (id: number) => {
    setName("");
    setReason("");
    setHoldBack(false);
    if (pushed) onReleased(id);
    else window.location.assign(`/api/handovers/${id}/file`);
  };
  return (
    <>
      <NativeSelect
        label="Deliver as"
        value={format}
        data={[
          ...(formats ?? []).map((value) => ({ value, label: FORMATS[value] ?? value })),
          { value: PUSH, label: "Push to the content system" },
        ]}
        onChange={(event) => {
          const value = event.currentTarget.value;
          setFormat(value);
          // Whether one is set up may not be known yet.
          if (value === PUSH) reached.refetch().then(({ data }) => data === null && setSettingUp(true));
        }}
      />
      {pushed && (
        <Button size="xs" variant="default" onClick={() => setSettingUp(true)}>
          {system === null ? "Set up the content system …" : "Content system …"}
        </Button>
      )}
      {approved > 0 && (
        <details className={css.named}>
          <summary>Name and reason</summary>
          <TextInput
            label="Name"
            placeholder="Autumn titles"
            maxLength={200}
            value={name}
            onChange={(event) => setName(event.currentTarget.value)}
          />
          <Textarea
            label="Reason"
            autosize
            minRows={2}
            maxLength={2_000}
            value={reason}
            onChange={(event) => setReason(event.currentTarget.value)}
          />
        </details>
      )}
      {approved > 0 && (
        // It stays while the selection goes: the button below must not move under the pointer.
        <Checkbox
          label="Only the selected items"
          description={selected ? "What else is approved stays." : "No items are selected."}
          disabled={!selected}
          checked={onlySelected && selected !== null}
          onChange={(event) => setOnlySelected(event.currentTarget.checked)}
        />
      )}
      {approved > 0 && (
        <Checkbox
          label="Hold a tenth back"
          description="Ten items or more: a random tenth stays as it is, so that Watch can tell what this brought."
          checked={holdBack}
          onChange={(event) => setHoldBack(event.currentTarget.checked)}
        />
      )}
      <Button
        disabled={approved === 0 || !formats || (pushed && !system)}
        loading={deliver.isPending}
        onClick={() => deliver.mutate(undefined, { onSuccess: delivered })}
      >
        {pushed ? "Put into a release" : "Deliver"}
      </Button>
      {approved > 0 && objections && objections.length > 0 && <Objections found={objections} />}
      {deliver.isPending && (
        <p role="status" className={css.soft}>
          The texts are being recorded. Right after a bulk edit, findings are worked out first, which takes a moment.
        </p>
      )}
      {approved === 0 && !deliver.isPending && (
        <p className={css.soft}>Select drafts on the left and approve them; then they can be delivered.</p>
      )}
      {settingUp && system !== undefined && (
        <ContentSystemForm property={property} settings={system} onClose={() => setSettingUp(false)} />
      )}
    </>
  );
}

/** Which mistakes delivering what is approved would make. */
function Objections({ found }: { found: HandoverObjection[] }) {
  return (
    <section className={css.objections} aria-label="Before you deliver">
      <h3>Before you deliver</h3>
      <ul>
        {found.map((each) => (
          <li key={each.mistake}>
            <b>{of(each.texts, "text")}</b>: {each.says}
            <span>{each.examples.map(pathOf).join(", ")}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
