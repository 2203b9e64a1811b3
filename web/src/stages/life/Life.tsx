/** Stage 2, Life: who lives in it, where and how, and with which appliances. */

import { useCallback, useState } from "react";
import type { Appliance } from "../../data/client";
import { usePlaces } from "../../data/places";
import { MONTHS, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordOf } from "../../parts/choices";
import { Fig } from "../../parts/Fig";
import { ItemMark } from "../../parts/Findings";
import { type Column, Ledger } from "../../parts/Ledger";
import { Token, useAssumption } from "../../parts/Token";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/life";
import { AddAppliance } from "./AddAppliance";
import { BringInAppliances } from "./BringInAppliances";
import { DayRibbon } from "./DayRibbon";
import { readCell, useApplianceEdits } from "./edit";
import { LifeSlate } from "./LifeSlate";
import { powerText, SEASONS, SUPPLIES, seasonWord, TRUSTS, writtenUse, ZONES } from "./words";

const MONTH_CHOICES = MONTHS.map((word, i) => ({ value: String(i + 1), word }));

function Sentence() {
  const say = useSaid();
  const { design, report } = useVariant();
  const life = design.life ?? {};
  const places = usePlaces();
  const assumedPlace = useAssumption("/life/place");
  const number = (path: string, value: number | null | undefined) => value ?? Number(report.assumptions.find((a) => a.path === path)?.value ?? 0);
  const people = number("/life/people", life.people);
  const nights = number("/life/nights_between_hookups", life.nights_between_hookups);
  const from = number("/life/from_month", life.from_month);
  const to = number("/life/to_month", life.to_month);
  const drive = number("/life/drive_h_per_day", life.drive_h_per_day);
  const place = life.place ?? String(assumedPlace?.value ?? "");
  return (
    <>
      <Token
        path="/life/people"
        label={says("people")}
        dimension="count"
        unit=""
        value={life.people}
        shown={people === 1 ? says("one-person") : says("people-2", { people })}
      />
      ,{" "}
      <Token
        path="/life/nights_between_hookups"
        label={say(says("nights-between-hook-ups"))}
        dimension="count"
        unit=""
        value={life.nights_between_hookups}
        shown={says("nights", { nights })}
      />{" "}
      {say(says("between-hook-ups"))}
      <Token path="/life/from_month" label={says("first-month")} choices={MONTH_CHOICES} value={String(from)} shown={MONTHS[from - 1]} /> {says("to-3")}{" "}
      <Token path="/life/to_month" label={says("last-month")} choices={MONTH_CHOICES} value={String(to)} shown={MONTHS[to - 1]} /> {says("around")}{" "}
      <Token
        path="/life/place"
        label={says("place")}
        choices={(places.data ?? []).map((p) => ({ value: p.place, word: `${p.name}, ${p.country}` }))}
        value={place}
        shown={report.life.place_name}
      />
      {says("driving")}{" "}
      <Token path="/life/drive_h_per_day" label={says("driving-per-day")} dimension="time" unit="h" value={life.drive_h_per_day} shown={show(drive, "h")} />{" "}
      {says("day")}
    </>
  );
}

export function Component() {
  const say = useSaid();
  const { report, id } = useVariant();
  const { units } = usePerson();
  const { list, set, remove, duplicate, move } = useApplianceEdits();
  const hand = useHand();
  const [season, setSeason] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [bringing, setBringing] = useState<string | null>(null);
  const [fresh, setFresh] = useState<string | null>(null);
  const shown = season ?? report.life.worst;

  useCall(
    "bothy:new",
    useCallback(() => setAdding(true), []),
  );

  const closeForm = () => {
    setAdding(false);
    setFresh(null);
    document.querySelector<HTMLElement>("main")?.focus(); // where the keys of the frame are heard
  };

  const readPower = useCallback((a: Appliance, text: string) => readCell("power", text, a), []);
  const readUse = useCallback((a: Appliance, text: string) => readCell("use", text, a), []);
  const rowId = useCallback((a: Appliance) => a.id, []);
  const columns: Column<Appliance>[] = [
    {
      key: "name",
      label: says("appliance"),
      width: "23%",
      kind: "text",
      show: (a) => a.name,
      title: (a) => a.name,
      value: (a) => a.name,
      set: (a, name) => void set(a, { name }, says("name")),
    },
    {
      key: "count",
      label: says("how-many"),
      width: "8%",
      align: "right",
      kind: "quantity",
      show: (a) => a.count ?? 1,
      value: (a) => a.count ?? 1,
      dimension: "count",
      unit: "",
      set: (a, q) => void set(a, { count: Math.round(q?.value ?? 1) }, says("number")),
    },
    {
      key: "power",
      label: says("power-each"),
      width: "14%",
      align: "right",
      kind: "written",
      show: powerText,
      text: powerText,
      read: readPower,
      set: (a, r) => r && void set(a, r.fields, says("power-2")),
    },
    {
      key: "use",
      label: says("use-day"),
      width: "15%",
      align: "right",
      kind: "written",
      show: writtenUse,
      text: writtenUse,
      read: readUse,
      set: (a, r) => r && void set(a, r.fields, says("use-2")),
    },
    {
      key: "supply",
      label: says("supply"),
      width: "9%",
      kind: "choice",
      options: SUPPLIES,
      show: (a) => say(SUPPLIES.find((s) => s.value === a.supply)?.word ?? ""),
      value: (a) => a.supply ?? "dc",
      set: (a, v) => void set(a, { supply: v }, says("supply")),
    },
    {
      key: "zone",
      label: says("place"),
      width: "10%",
      kind: "choice",
      options: ZONES,
      show: (a) => say(wordOf(ZONES, a.zone)),
      value: (a) => a.zone ?? "living",
      set: (a, v) => void set(a, { zone: v }, says("place")),
    },
    {
      key: "trust",
      label: says("value"),
      width: "10%",
      kind: "choice",
      options: TRUSTS,
      show: (a) => <span className={a.trust === "catalogue" ? "text-heather" : ""}>{say(TRUSTS.find((t) => t.value === a.trust)?.word ?? "")}</span>,
      value: (a) => a.trust ?? "label",
      set: (a, v) => void set(a, { trust: v }, says("trust")),
    },
    {
      key: "energy",
      label: says("bank-2", { worst: report.life.worst }),
      width: "12%",
      align: "right",
      kind: "computed",
      show: (a) => <Fig k={`appliances/${a.id}/bank_energy_wh`} />,
    },
  ];
  const tools = (
    <>
      <button type="button" className="btn btn-main" onClick={() => setAdding(!adding)} aria-expanded={adding}>
        {says("add-appliance-n")}
      </button>
      <button type="button" className="btn" onClick={() => setBringing("")}>
        {says("paste-import")}
      </button>
      <a className="btn no-underline" href={`/api/variants/${id}/export/appliances.csv?units=${units}`} download>
        {says("export-csv")}
      </a>
      <span className="flex-1" />
      <span className="text-dim">{says("curve")}</span>
      {SEASONS.map((s) => (
        <button
          key={s}
          type="button"
          className={`btn px-2 ${s === shown ? "!border-gorse font-semibold" : ""}`}
          aria-pressed={s === shown}
          onClick={() => setSeason(s)}
        >
          {say(seasonWord(s))}
        </button>
      ))}
    </>
  );
  return (
    <Bench
      title={says("daily-use")}
      sentence={<Sentence />}
      picture={list.length ? <DayRibbon season={shown} /> : undefined}
      tools={bringing === null ? tools : undefined}
      ledger={
        bringing !== null ? (
          <BringInAppliances first={bringing} onClose={() => setBringing(null)} onAdded={setFresh} />
        ) : (
          <>
            {adding && <AddAppliance onAdded={setFresh} onClose={closeForm} />}
            <Ledger
              label={says("appliances")}
              rows={list}
              columns={columns}
              id={rowId}
              selected={hand.kind === "appliance" ? hand.id : undefined}
              onSelect={(a) => hand.pick("appliance", a.id)}
              onAdd={() => setAdding(true)}
              onRemove={(a) => void remove(a)}
              onDuplicate={(a) => setFresh(duplicate(a))}
              onMove={(a, by) => void move(a, by)}
              onPaste={setBringing}
              mark={(a) => <ItemMark subject={a.id} />}
              focusNew={adding ? null : fresh}
              empty={
                <div className="max-w-xl text-[15px]">
                  <p className="m-0 mb-2">{says("what-will-run-vehicle")}</p>
                  <p className="m-0">
                    {says("press")}{" "}
                    <button type="button" className="btn btn-main" onClick={() => setAdding(true)}>
                      {says("add-appliance")}
                    </button>{" "}
                    {say(says("type-fridge-light-pump"))}
                  </p>
                </div>
              }
            />
          </>
        )
      }
      slate={<LifeSlate />}
    />
  );
}
