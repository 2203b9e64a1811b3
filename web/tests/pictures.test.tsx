import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { afterEach, describe, expect, it, vi } from "vitest";
import type { CircuitPart } from "../src/data/client";
import { HeadroomBar } from "../src/parts/HeadroomBar";
import { FuseStrip, FuseWindow, posts } from "../src/pictures/FuseWindow";
import { SERVICES } from "../src/pictures/services";
import { shortOf } from "../src/stages/fit/RoofPicture";
import { pieces, shifted } from "../src/stages/life/DayRibbon";
import { powerText, windowsText, writtenUse } from "../src/stages/life/words";
import { stacked } from "../src/stages/power/EnergyFlow";
import { placeOn } from "../src/stages/prove/Bands";
import { freeLetter, sizeFields } from "../src/stages/wiring/edit";

afterEach(cleanup);

const part = (more: Partial<CircuitPart>): CircuitPart =>
  ({
    current_a: 4.63,
    window_low_a: 5.79,
    window_high_a: 15,
    ampacity_a: 24,
    fuse_a: 7.5,
    fuse_ok: true,
    ratings: [1, 3, 5, 7.5, 10, 15, 20, 30],
    ...more,
  }) as CircuitPart;

describe("the fuse window", () => {
  it("shows the ratings round the window and always the chosen one", () => {
    expect(posts([1, 3, 5, 7.5, 10, 15, 20, 30], 5.79, 15, 7.5)).toEqual([5, 7.5, 10, 15, 20]);
    expect(posts([5, 10, 15], 100, 200, 5)).toEqual([5]);
    expect(
      posts(
        Array.from({ length: 60 }, (_, i) => i + 1),
        10,
        40,
        null,
      ).length,
    ).toBeLessThanOrEqual(10);
  });

  it("says the same in words", () => {
    render(<FuseWindow part={part({})} />);
    expect(screen.getByRole("img").getAttribute("aria-label")).toContain("needs at least 5.79 A, cable allows 15 A, chosen 7.5 A");
  });

  it("lets a post be chosen by mouse and keyboard, and names those outside", () => {
    const pick = vi.fn();
    render(<FuseWindow part={part({})} onPick={pick} />);
    fireEvent.click(screen.getByRole("button", { name: "10 A" }));
    fireEvent.keyDown(screen.getByRole("button", { name: /^20 A, outside/ }), { key: "Enter" });
    expect(pick.mock.calls).toEqual([[10], [20]]);
    expect(screen.getByRole("button", { name: "7.5 A, chosen" })).toBeTruthy();
  });

  it("draws a fuse as outside from the cable's limit on and from the load's need down, and not before", () => {
    render(<FuseWindow part={part({ ratings: [5, 5.79, 10, 15, 15.1, 20], fuse_a: 20 })} onPick={vi.fn()} />);
    const outside = (a: string) =>
      screen
        .getByRole("button", { name: new RegExp(`^${a.replace(".", "\\.")} A`) })
        .getAttribute("aria-label")!
        .includes("outside the window");
    expect(["5", "5.79", "10", "15", "15.1", "20"].map(outside)).toEqual([true, false, false, false, true, true]);
    expect(screen.getByRole("button", { name: "20 A, outside the window, chosen" })).toBeTruthy();
  });

  it("waits for a load", () => {
    render(<FuseWindow part={part({ window_low_a: 0 })} />);
    expect(screen.getByText(/opens when something draws current/)).toBeTruthy();
  });

  it("has a short form for the ledger", () => {
    const { container } = render(<FuseStrip part={part({ fuse_ok: false })} />);
    expect(container.querySelector("svg")?.getAttribute("aria-label")).toBe("5.79 to 15 A");
    const { container: empty } = render(<FuseStrip part={part({ window_high_a: null, ampacity_a: null })} />);
    expect(empty.textContent).toBe("–");
  });
});

describe("the headroom bar", () => {
  it.each([
    [118, 200, 0.2, ""],
    [170, 200, 0.2, "tight"],
    [207, 90, 0.2, "too little"],
  ])("needs %s, has %s", (need, have, margin, word) => {
    const { container } = render(<HeadroomBar label="current" need={need} have={have} unit="A" margin={margin} />);
    expect(container.textContent).toContain(`needs ${need}\u00a0A, has ${have}\u00a0A`);
    if (word) expect(container.textContent).toContain(word);
    else expect(container.textContent).not.toMatch(/tight|too little/);
  });

  it("is a button only where it leads somewhere", () => {
    const pick = vi.fn();
    render(<HeadroomBar label="roof" need={1} have={2} unit="m²" margin={0} onPick={pick} />);
    fireEvent.click(screen.getByRole("button", { name: /roof/ }));
    expect(pick).toHaveBeenCalled();
  });
});

describe("hours of the day", () => {
  it.each([
    [{ from_h: 7, to_h: 9 }, "move", 1, { from_h: 8, to_h: 10 }],
    [{ from_h: 7, to_h: 9 }, "move", -8, { from_h: 23, to_h: 1 }],
    [{ from_h: 22, to_h: 2 }, "move", 3, { from_h: 1, to_h: 5 }],
    [{ from_h: 7, to_h: 9 }, "to", 2, { from_h: 7, to_h: 11 }],
    [{ from_h: 7, to_h: 9 }, "to", -5, { from_h: 7, to_h: 7.25 }],
    [{ from_h: 7, to_h: 9 }, "from", 1, { from_h: 8, to_h: 9 }],
    [{ from_h: 7, to_h: 9 }, "from", 9, { from_h: 8.75, to_h: 9 }],
    [{ from_h: 23, to_h: 1 }, "from", -1, { from_h: 22, to_h: 1 }],
    [{ from_h: 7, to_h: 9 }, "move", 0.1, { from_h: 7, to_h: 9 }],
  ] as const)("%o, %s by %s", (first, grip, by, want) => {
    expect(shifted(first, grip, by)).toEqual(want);
  });

  it("cuts a window at midnight in two", () => {
    expect(pieces({ from_h: 7, to_h: 9 })).toEqual([[7, 9]]);
    expect(pieces({ from_h: 22, to_h: 2 })).toEqual([
      [22, 24],
      [0, 2],
    ]);
    expect(pieces({ from_h: 22, to_h: 0 })).toEqual([[22, 24]]);
  });
});

describe("words of an appliance", () => {
  it.each([
    [{ power_w: 60, hours_per_day: 4 }, "60 W", "4 h"],
    [{ current_a: 5, voltage_v: 12, duty_frac: 0.3 }, "5 A @ 12 V", "30 %"],
    [{ power_w: 9, uses_per_day: 3, minutes_per_use: 5 }, "9 W", "3 × 5 min"],
    [{ energy_24h_wh: 400 }, "400 Wh/24 h", "by its label"],
    [{ charge_energy_wh: 15, charges_per_day: 2 }, "battery 15 Wh", "2 charges"],
  ])("%o", (fields, power, use) => {
    expect(powerText(fields as never)).toBe(power);
    expect(writtenUse(fields as never)).toBe(use);
  });

  it("writes its hours", () => {
    expect(
      windowsText({
        windows: [
          { from_h: 7, to_h: 9 },
          { from_h: 16.5, to_h: 22 },
        ],
      } as never),
    ).toBe("7:00-9:00, 16:30-22:00");
    expect(windowsText({} as never)).toBe("");
  });
});

describe("other pictures", () => {
  it("stacks flows without overlap and leaves out what is nothing", () => {
    const placed = stacked(
      [
        { key: "sun", word: "sun", wh: 100 },
        { key: "none", word: "none", wh: 0 },
        { key: "drive", word: "drive", wh: 900 },
      ],
      0.1,
    );
    expect(placed.map((p) => p.key)).toEqual(["sun", "drive"]);
    expect(placed[1]!.y).toBeGreaterThanOrEqual(placed[0]!.y + placed[0]!.h);
    expect(placed[1]!.h).toBeCloseTo(90);
  });

  it("places a reading on its band and stops far ones at the ends", () => {
    expect(placeOn(5, 4, 6)).toBe(0.5);
    expect(placeOn(4, 4, 6)).toBe(0.25);
    expect(placeOn(-90, 4, 6)).toBe(0);
    expect(placeOn(90, 4, 6)).toBe(1);
  });

  it("tells services apart without colour", () => {
    const tags = Object.values(SERVICES).map((s) => s.tag);
    const marks = Object.values(SERVICES).map((s) => `${s.dash}|${s.tag}`);
    expect(new Set(tags).size).toBe(tags.length);
    expect(new Set(marks).size).toBe(marks.length);
  });

  it("turns a written size into its fields and finds a free letter", () => {
    expect(sizeFields(null)).toEqual({ area_mm2: null, awg: null });
    expect(sizeFields({ value: 6, unit: "mm²", understood: "", awg: null })).toEqual({ area_mm2: 6, awg: null });
    expect(sizeFields({ value: 5.26, unit: "mm²", understood: "", awg: "10" })).toEqual({ area_mm2: null, awg: "10" });
    expect(freeLetter([{ letter: "A" }, { letter: "C" }] as never)).toBe("B");
    expect(freeLetter([..."ABCDEFGHJKLNPQRSTUVWXYZ"].map((letter) => ({ letter })) as never)).toBe("Z");
  });
});

describe("a name in a small box", () => {
  it.each([
    ["Roof cooler 2.6 kW, mains", 40, "Roof cooler 2.6 kW, mains"],
    ["Roof cooler 2.6 kW, mains", 12, "Roof cooler"],
    ["Panels, panel 3", 9, "panel 3"],
    ["2 × rigid panel 175 W, panel 1", 8, "panel 1"],
    ["Fan over the bench", 12, ""],
    ["Old skylight 1", 9, ""],
    ["Skylight", 3, ""],
  ])("%s in %i is “%s”", (name, holds, short) => expect(shortOf(name, holds)).toBe(short));
});
