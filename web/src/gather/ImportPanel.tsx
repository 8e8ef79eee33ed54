import { Button, FileButton, Modal, NativeSelect, Table } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, type ImportPlan, type Property, upload } from "../api/client";
import { useChange } from "../api/queries";
import stage from "../parts/stage.module.css";
import css from "./Gather.module.css";

const MEANINGS = [
  { value: "UNUSED", label: "kept, not used" },
  { value: "ID", label: "id" },
  { value: "ADDRESS", label: "address" },
  { value: "TITLE", label: "title" },
  { value: "DESCRIPTION", label: "description" },
  { value: "TAGS", label: "tags" },
  { value: "PRICE", label: "price" },
  { value: "SECTION", label: "section" },
];

type Meaning = ImportPlan["columns"][number]["meaning"];

/** Takes a file of listings in: how it was understood is shown and can be put right before it is read. */
export function ImportPanel({ property }: { property: Property }) {
  const [meanings, setMeanings] = useState<Meaning[]>([]);
  const look = useMutation({
    mutationFn: (file: File) => upload<ImportPlan>(`/api/properties/${property.id}/imports`, file),
    onSuccess: (plan) => setMeanings(plan.columns.map((column) => column.meaning)),
  });
  const read = useChange(property.id, (token: string) =>
    answer(api.POST("/api/imports/{token}/apply", { params: { path: { token } }, body: meanings })),
  );
  const plan = look.data;
  return (
    <div className={stage.block}>
      <h2>Import listings</h2>
      <p className={stage.soft}>A CSV file with a row of column names. Encoding and delimiter are recognised.</p>
      <FileButton accept=".csv,.tsv,.txt,text/csv" onChange={(file) => file && look.mutate(file)}>
        {(props) => (
          <Button {...props} loading={look.isPending}>
            Choose a file
          </Button>
        )}
      </FileButton>
      <Modal opened={plan !== undefined} onClose={look.reset} size={920} title={plan?.fileName}>
        {plan && (
          <div className={stage.block}>
            <p>
              Read as {plan.encoding}, cells parted by {plan.delimiter}. Say what each column holds where the guess is
              wrong.
            </p>
            {plan.notes.map((note) => (
              <p key={note} className={css.note}>
                {note}
              </p>
            ))}
            <div className={css.plan}>
              <Table>
                <Table.Thead>
                  <Table.Tr>
                    {plan.columns.map((column, i) => (
                      <Table.Th key={i}>
                        {column.name}
                        <NativeSelect
                          aria-label={`What ${column.name} holds`}
                          size="xs"
                          data={MEANINGS}
                          value={meanings[i]}
                          onChange={(event) =>
                            setMeanings(meanings.map((m, k) => (k === i ? (event.currentTarget.value as Meaning) : m)))
                          }
                        />
                      </Table.Th>
                    ))}
                  </Table.Tr>
                </Table.Thead>
                <Table.Tbody>
                  {plan.columns[0].samples.map((_, row) => (
                    <Table.Tr key={row}>
                      {plan.columns.map((column, i) => (
                        <Table.Td key={i}>
                          <span className={css.sample}>{column.samples[row]}</span>
                        </Table.Td>
                      ))}
                    </Table.Tr>
                  ))}
                </Table.Tbody>
              </Table>
            </div>
            <div>
              <Button
                loading={read.isPending}
                disabled={!meanings.includes("TITLE")}
                onClick={() => read.mutate(plan.token, { onSuccess: look.reset })}
              >
                Import
              </Button>
            </div>
          </div>
        )}
      </Modal>
    </div>
  );
}
