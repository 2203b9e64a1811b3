/* The trip's kernel in C, all pieces of src/bothy/core/trips/kernel.py and pieces.py in one loop: a measure for the compiled Python, and a second opinion on its numbers.
 * Built and called by ./bothy bench. All arrays are row-major doubles; places in them have the names of the Python kernel, written out as numbers there. */
#include <math.h>
#include <string.h>

enum { U, E_NOM, R_OHM, I_20, ETA, MAX_CHARGE, MAX_DISCHARGE, TAIL, TAPER, FLOOR, RECONNECT, CEILING, PEUKERT, SELF, COLDEST, HEAT_CAPACITY, HEAT_LOSS, CAPACITY, KIND, FACTORS };
enum { D_START, D_HOURS, D_PERSONS, D_REFILL_STEP, D_REFILLS, D_OUTSIDE, D_MAINS_FROM, D_MAINS_TO, D_MAINS_W, D_RH, D_BY_GENERATOR, D_CLEARNESS, D_AGAIN, D_AGAIN_HOURS, DAY_SIZE };
enum { A_POWER, A_GAMMA, A_HEAT, A_B0, A_LOW, A_SOIL, A_LOSS, A_VIEW, A_ETA, A_MOST, A_LAST, A_STEEP, A_HELD, ARRAY_SIZE };
enum { ALBEDO, DCDC, CHARGER, ETA_CHARGER, SHORE_MOST, INVERTER, IDLE, ETA_INVERTER, ALWAYS, FRIDGE_W, FRIDGE_DUTY, FRIDGE_IN, FRIDGE_REF, FRIDGE_TIER,
  HEATER, HEATER_W, SET_DAY, SET_NIGHT, DAY_FROM, DAY_TO, ETA_HEATER, EL_LEAST, EL_MOST, HEATER_TIER, UA, C_CABIN, APERTURE, GAIN, PERSON, BANK_INSIDE, SOC_START,
  HAS_FRESH, HAS_GREY, HAS_TOILET, HAS_GAS, HAS_DIESEL, FRESH, GREY, TOILET, GAS, DIESEL, FRESH_DAY, GREY_PART, TOILET_DAY, COOK_DAY, SHED_1, SHED_2, SHED_3, BACK_1, BACK_2,
  BACK_3, HEAT_LEAST, START_WH, COOL_W, COOL_SET, COOL_EER, COOL_FAN, COOL_TIER, COOL_AC, COOL_HOSE, MOIST_AWAKE, MOIST_ASLEEP, MOIST_DAY, AIR_FLOW, VOLUME,
  COLD_FACE, BAY_B, HAS_BAY, VENT_UA, COOL_FROM, COOL_TO, COOL_SHORE, BANK_HEATER, BANK_HEATER_W, SNOW, SNOW_CLEARED, GENERATOR, GEN_STORE, GEN_IDLE, GEN_SLOPE, DCDC_BELOW, HOOKUP_FIRST };
enum { PV_AVAILABLE, PV_USED, CURTAILED, DCDC_USED, SHORE_DC, SHORE_AC, DEMAND, SERVED, SHED, UNSERVED, INVERTER_LOSS, BATTERY_IN, BATTERY_OUT, BATTERY_LOSS, SELF_LOSS, STORED,
  HEAT, HEAT_MISSING, FRESH_USED, WATER_MISSING, GAS_USED, DIESEL_USED, GHI, COOL, COOL_MISSING, HEATER_EL, COOLER_EL, GAINS, HEAT_OUT, HEAT_STORED, CONDENSED, BANK_HEAT, SNOW_LOST, GEN_FUEL, GEN_MADE,
  LEDGER_SIZE };
enum { SHORT_DAYS, LEAST_SOC, LEAST_CABIN, FIRST_ELECTRICITY, FIRST_FRESH, FIRST_GREY, FIRST_TOILET, FIRST_GAS, FIRST_DIESEL, END_SOC, END_FRESH, END_GREY, END_TOILET, END_GAS,
  END_DIESEL, REFUSED_COLD_H, FREEZE_H, REFUSED_HOT_H, LIMITED_H, WET_H, DAMP_H, HOT_H, MOST_CABIN, BAY_FREEZE_H, FIRST_BAY, SNOW_DAYS, GEN_H,
  FIRST_GEN, END_GEN, REFUSED_COLD_WH, LEAST_CELL, COLD_RUN_H, SUMMARY_SIZE };
enum { EVENT_SHED = 2, EVENT_BACK = 3 };

static const double TEMPS[6] = {-20, -10, 0, 10, 25, 40};
static double mind(double a, double b) { return a < b ? a : b; }
static double maxd(double a, double b) { return a > b ? a : b; }

static double saturation(double t) { return t >= 0 ? 611.2 * exp(17.62 * t / (243.12 + t)) : 611.2 * exp(22.46 * t / (272.62 + t)); }

static double floor_at(const double *b, double t) {
  double f = b[FACTORS];
  if (t >= TEMPS[5]) f = b[FACTORS + 5];
  else if (t > TEMPS[0])
    for (int i = 0; i < 5; i++)
      if (t < TEMPS[i + 1]) { f = b[FACTORS + i] + (b[FACTORS + i + 1] - b[FACTORS + i]) * (t - TEMPS[i]) / (TEMPS[i + 1] - TEMPS[i]); break; }
  return 1 - mind(1, f) * (1 - b[FLOOR]);
}

static double warm_charge_a(const double *b, double t) {
  double full = b[MAX_CHARGE], c = b[CAPACITY];
  if (b[KIND] == 2) return t < -15 || t > 50 ? 0 : t < 0 || t > 40 ? mind(0.10 * c, full) : full;
  if (t < 0 || t > 45) return 0;
  if (b[KIND] == 0) return t < 5 ? mind(0.10 * c, full) : t < 10 ? mind(0.20 * c, full) : full;
  return t < 10 ? mind(0.20 * c, full) : full;
}

static double charge_room_w(const double *b, double e, double t, double dt) {
  double limit = b[MAX_CHARGE], soc = e / b[E_NOM];
  if (soc > b[TAPER]) limit = maxd(mind(b[MAX_CHARGE], b[TAIL]), b[MAX_CHARGE] * (1 - soc) / (1 - b[TAPER]));
  limit = maxd(0, mind(limit, mind(warm_charge_a(b, t), maxd(0, b[CEILING] * b[E_NOM] - e) / (b[ETA] * b[U] * dt))));
  return limit * (b[U] + limit * b[R_OHM]);
}

static double discharge_room_w(const double *b, double e, double t, double dt) {
  if (t < b[COLDEST]) return 0;
  double x = maxd(0, e - floor_at(b, t) * b[E_NOM]) / (b[U] * dt), k = b[PEUKERT];
  double by_energy = x <= b[I_20] || k == 1 ? x : pow(x * pow(b[I_20], k - 1), 1 / k);
  double limit = mind(b[MAX_DISCHARGE], by_energy);
  if (b[R_OHM] > 0) limit = mind(limit, b[U] / (2 * b[R_OHM]));
  return limit * (b[U] - limit * b[R_OHM]);
}

static double charged(const double *b, double e, double w, double dt, double *loss) {
  double r = b[R_OHM], u = b[U], amps = r == 0 ? w / u : (-u + sqrt(u * u + 4 * r * w)) / (2 * r), kept = b[ETA] * u * amps * dt;
  *loss = w * dt - kept;
  return e + kept;
}

static double discharged(const double *b, double e, double w, double dt, double *loss) {
  double r = b[R_OHM], u = b[U], amps = r == 0 ? w / u : (u - sqrt(maxd(0, u * u - 4 * r * w))) / (2 * r);
  double factor = amps > 0 ? maxd(1, pow(amps / b[I_20], b[PEUKERT] - 1)) : 1, taken = factor * u * amps * dt;
  *loss = taken - w * dt;
  return e - taken;
}

static double warmed(const double *b, double t, double env, double loss, double dt) {
  if (b[HEAT_LOSS] <= 0) return t + loss / b[HEAT_CAPACITY];
  double end = env + loss / dt / b[HEAT_LOSS];
  return end + (t - end) * exp(-b[HEAT_LOSS] * dt / b[HEAT_CAPACITY]);
}

static double warming_w(const double *b, double t, double env, double aim, double dt) {
  if (b[HEAT_LOSS] <= 0) return maxd(0, b[HEAT_CAPACITY] * (aim - t) / dt);
  double keep = exp(-b[HEAT_LOSS] * dt / b[HEAT_CAPACITY]);
  return maxd(0, b[HEAT_LOSS] * ((aim - t * keep) / (1 - keep) - env));
}

void run(long first_draw, long last_draw, double dt, long day_count, long steps, long array_count, long plane_count, const double *days, const double *hours, const double *cos_z,
         const double *unit, const double *swing_at, const double *planes, const double *heads, const double *sky, const double *ground, const double *on, const double *arrays,
         const double *shade, const double *clear, const double *diffuse, const double *mean_c, const double *swing_c, const double *dc, const double *ac, const double *plan,
         const double *bank, double *ledger, double *summary, signed char *short_day, double *events, long long *event_count, long events_kept) {
  const double nominal = bank[E_NOM], keep_shut = exp(-plan[UA] * dt / plan[C_CABIN]), keep_open = exp(-(plan[UA] + plan[VENT_UA]) * dt / plan[C_CABIN]);
  for (long d = first_draw; d < last_draw; d++) {
    double *led = ledger + d * LEDGER_SIZE, *sum = summary + d * SUMMARY_SIZE, *ev = events + d * events_kept * 2;
    double e = plan[SOC_START] * nominal, out0 = mean_c[d * day_count] + swing_c[d * day_count] / 2 * swing_at[0];
    double cabin = plan[HEATER] != 0 && days[D_PERSONS] > 0 ? plan[SET_NIGHT] : out0;
    double cell = plan[BANK_INSIDE] != 0 ? cabin : out0;
    if (plan[BANK_HEATER] == 2) cell = maxd(cell, 5);
    double can = plan[GEN_STORE], mild_h = 0, least_cell = 1e9, cold_h = 0;
    int snow_flat = 0, snow_steep = 0;
    double fresh = plan[FRESH], grey = 0, toilet = 0, gas = plan[GAS], diesel = plan[DIESEL], least_soc = 2, least_cabin = 1e9, most_cabin = -1e9, damp = days[D_RH] * saturation(mean_c[d * day_count]);
    sum[FIRST_BAY] = sum[FIRST_GEN] = -1;
    int off[3] = {0, 0, 0}, open = 0;
    long n_events = 0;
    for (int k = FIRST_ELECTRICITY; k <= FIRST_DIESEL; k++) sum[k] = -1;
#define EVENT(time, kind) do { if (n_events < events_kept) { ev[2 * n_events] = (time); ev[2 * n_events + 1] = (kind); n_events++; } } while (0)
    for (long j = 0; j < day_count; j++) {
      const double *day = days + j * DAY_SIZE;
      double persons = day[D_PERSONS], g0n = day[D_OUTSIDE], day_damp = day[D_RH] * saturation(mean_c[d * day_count + j]);
      int short_today = 0, snowed = 0;
      if (plan[SNOW] != 0) {
        if (mean_c[d * day_count + j] < 0 && clear[d * day_count + j] < 0.6 * day[D_CLEARNESS]) { snow_flat = snow_steep = 1; mild_h = 0; }
        else if (clear[d * day_count + j] > day[D_CLEARNESS]) snow_steep = 0;
      }
      for (long i = 0; i < steps; i++) {
        long at = j * steps + i;
        double h = hours[i], now = j + (i + 1) * dt / 24;
        int driving = (day[D_START] <= h && h < day[D_START] + day[D_HOURS]) || (day[D_AGAIN] <= h && h < day[D_AGAIN] + day[D_AGAIN_HOURS]), shore = day[D_MAINS_FROM] <= h && h < day[D_MAINS_TO] && !driving;
        int generating = shore && day[D_BY_GENERATOR] != 0;
        if (i == (long)day[D_REFILL_STEP]) {
          int bits = (int)day[D_REFILLS];
          if (bits & 1) fresh = plan[FRESH];
          if (bits & 2) grey = 0;
          if (bits & 4) toilet = 0;
          if (bits & 8) gas = plan[GAS];
          if (bits & 16) { diesel = plan[DIESEL]; can = plan[GEN_STORE]; }
        }
        double t_out = mean_c[d * day_count + j] + swing_c[d * day_count + j] / 2 * swing_at[at], ghi = 0, pv = 0, cz = cos_z[at];
        if (generating && (plan[GENERATOR] == 1 ? can : plan[GENERATOR] == 2 ? diesel : plan[GENERATOR] == 3 ? gas : 1) <= 0) {
          shore = generating = 0;
          if (sum[FIRST_GEN] < 0) sum[FIRST_GEN] = now;
        }
        if (snow_flat || snow_steep) {
          mild_h = t_out > 2 ? mild_h + dt : 0;
          if (mild_h >= 3 || (persons > 0 && plan[SNOW_CLEARED] >= 0 && plan[SNOW_CLEARED] - dt < h - dt / 2 && h - dt / 2 <= plan[SNOW_CLEARED])) snow_flat = snow_steep = 0;
        }
        if (cz > 0) {
          double kt = clear[d * day_count + j] * unit[at], kd = mind(kt, diffuse[d * day_count + j]);
          ghi = kt * g0n * cz;
          double dhi = kd * g0n * cz, dni = (kt - kd) * g0n, ring = dni / g0n, wind = driving ? 0.5 : 1, on_one = 0;
          for (long a = 0; a < array_count; a++) {
            const double *p = arrays + a * ARRAY_SIZE;
            long x = at * array_count + a;
            double made = 0, even = (dhi * (1 - ring) * sky[x] + ghi * plan[ALBEDO] * ground[x]) * (1 - p[A_B0]) * p[A_VIEW], lit = 1 - shade[a * 24 + (int)h];
            long first = (long)heads[a], last = on[x] == 0 ? first : (long)heads[a + 1];
            for (long q = first; q < last; q++) {
              double ct = planes[at * plane_count + q], light = even;
              if (ct > 0) light += (dni * ct + dhi * ring * ct / maxd(cz, 0.01745)) * maxd(0, 1 - p[A_B0] * (1 / ct - 1)) * lit;
              light *= p[A_SOIL];
              if (light >= 1) made += p[A_POWER] * light / 1000 * p[A_LOSS] * mind(maxd(0, (1 + p[A_GAMMA] * (t_out + light * p[A_HEAT] * wind - 25)) * (1 + p[A_LOW] * log(light / 1000))), p[A_HELD]);
            }
            if (last > first) made /= (double)(last - first);
            if ((p[A_STEEP] != 0 ? snow_steep : snow_flat) && made > 0) {
              snowed = 1;
              led[SNOW_LOST] += made * (1 - 0.1) * p[A_ETA] * dt;
              made *= 0.1;
            }
            on_one += made;
            if (p[A_LAST] != 0) { pv += mind(on_one * p[A_ETA], p[A_MOST]); on_one = 0; }
          }
        }
        double gains = plan[APERTURE] * ghi + plan[GAIN] + persons * plan[PERSON], want = 0, q = 0, el = 0, el_mains = 0, aim = -1e9, ua = plan[UA], keep = keep_shut;
        if (persons > 0 && cabin > 25 && t_out < cabin - 1) { ua += plan[VENT_UA]; keep = keep_open; }
        int fuel_short = 0;
        if (plan[HEATER] != 0 && persons > 0) {
          aim = plan[DAY_FROM] <= h && h < plan[DAY_TO] ? plan[SET_DAY] : plan[SET_NIGHT];
          want = mind(maxd(ua * ((aim - cabin * keep) / (1 - keep) - t_out) - gains, 0), plan[HEATER_W]);
          q = want;
          if (plan[HEATER] == 3 && !shore) q = 0;
          else if (plan[HEATER] == 1 && plan[HAS_DIESEL] != 0) q = mind(q, diesel * 9.996 * 1000 * plan[ETA_HEATER] / dt);
          else if (plan[HEATER] == 2 && plan[HAS_GAS] != 0) q = mind(q, gas * 12.87 * 1000 * plan[ETA_HEATER] / dt);
          fuel_short = q < want - 1e-9;
          if (q > 0) {
            double run = maxd(q, plan[HEAT_LEAST]), spread = plan[HEATER_W] - plan[HEAT_LEAST];
            el = q / run * (plan[EL_LEAST] + (plan[EL_MOST] - plan[EL_LEAST]) * (spread > 0 ? (run - plan[HEAT_LEAST]) / spread : 1));
            if (q < plan[HEAT_LEAST]) el += 2 * plan[START_WH];
            if (plan[HEATER] == 3) el_mains = q / plan[ETA_HEATER];
          }
        }
        double want_cool = 0, cool = 0, el_cool = 0;
        if (plan[COOL_W] > 0 && persons > 0 && plan[COOL_FROM] <= h && h < plan[COOL_TO] && (shore || plan[COOL_SHORE] == 0)) {
          double net = maxd(0, plan[COOL_W] - 1.2 * 1006 / 3600 * plan[COOL_HOSE] * maxd(0, t_out - cabin));
          want_cool = maxd(0, gains - ua * ((plan[COOL_SET] - cabin * keep) / (1 - keep) - t_out));
          cool = mind(want_cool, net);
          if (want_cool > 0) {
            double duty = net > 0 ? cool / net : 1;
            el_cool = duty * plan[COOL_W] / plan[COOL_EER] + (1 - duty) * plan[COOL_FAN];
          }
        }
        double fridge = 0;
        if (plan[FRIDGE_W] > 0) {
          double ratio = maxd(0, cabin - plan[FRIDGE_IN]) / (plan[FRIDGE_REF] - plan[FRIDGE_IN]) * maxd(0.5, 1 + 0.02 * (cabin - plan[FRIDGE_REF]));
          fridge = plan[FRIDGE_W] * mind(1, plan[FRIDGE_DUTY] * ratio);
        }
        double soc = e / nominal, floor = floor_at(bank, cell);
        for (int t = 0; t < 3; t++) {
          if (plan[SHED_1 + t] == -1) continue;
          int was = off[t];
          if (shore || soc >= plan[BACK_1 + t]) off[t] = 0;
          else if (soc <= plan[SHED_1 + t]) off[t] = 1;
          if (was != off[t]) EVENT(j + i * dt / 24, off[t] ? EVENT_SHED : EVENT_BACK);
        }
        if (open && (soc >= mind(0.98, floor + bank[RECONNECT] - bank[FLOOR]) || (shore && plan[CHARGER] > 0) || (driving && plan[DCDC] > 0))) {
          open = 0;
          EVENT(j + i * dt / 24, 1);
        }
        int was_open = open;
        double dc_live = 0, ac_live = 0, ac_all = 0, dead = 0, dead_need = 0;
        for (int t = 0; t < 3; t++) {
          double x = dc[at * 3 + t] + (t == (int)plan[FRIDGE_TIER] ? fridge : 0) + (t == (int)plan[HEATER_TIER] ? el : 0), y = ac[at * 3 + t] + (t == (int)plan[HEATER_TIER] ? el_mains : 0);
          if (t == (int)plan[COOL_TIER]) { if (plan[COOL_AC] != 0) y += el_cool; else x += el_cool; }
          ac_all += y;
          if (!off[t] && !open) { dc_live += x; ac_live += y; }
          else { double lost = x + (shore ? 0 : y); dead += lost; if (t < 2 || open) dead_need += lost; }
        }
        int heat_live = !off[(int)plan[HEATER_TIER]] && !open, cool_live = !off[(int)plan[COOL_TIER]] && !open;
        double ac_short = 0, shore_ac = 0, offer_shore = 0, inverter = 0;
        if (shore) {
          shore_ac = mind(ac_all, day[D_MAINS_W]);
          ac_short = ac_all - shore_ac;
          offer_shore = mind(plan[CHARGER], maxd(0, day[D_MAINS_W] - shore_ac) * plan[ETA_CHARGER]);
          ac_live = 0;
        } else if (plan[INVERTER] != 0 && !open && (ac_live > 0 || plan[ALWAYS] != 0)) inverter = plan[IDLE] + ac_live / plan[ETA_INVERTER];
        double demand = dc_live + inverter, offer_dcdc = driving && soc < plan[DCDC_BELOW] ? plan[DCDC] : 0, before = e, leak = e * bank[SELF] / 730.5 * dt, offered = pv + offer_shore + offer_dcdc, el_bank = 0;
        if (plan[BANK_HEATER] != 0) {
          el_bank = mind(plan[BANK_HEATER_W], warming_w(bank, cell, plan[BANK_INSIDE] != 0 ? cabin : t_out, 5, dt));
          if (open || plan[BANK_HEATER] == 1) el_bank = mind(el_bank, maxd(0, offered - demand));
          demand += el_bank;
        }
        e -= leak;
        double lacking = 0, b_in = 0, b_out = 0, loss = 0, needed;
        if (offered >= demand) {
          b_in = mind(offered - demand, charge_room_w(bank, e, cell, dt));
          needed = demand + b_in;
          e = charged(bank, e, b_in, dt, &loss);
          if (cell < 0 && bank[KIND] != 2 && offered - demand > 1e-9) { sum[REFUSED_COLD_H] += dt; sum[REFUSED_COLD_WH] += (offered - demand) * dt; }
          else if (cell > 40 && offered - demand > 1e-9 && warm_charge_a(bank, cell) <= 0) sum[REFUSED_HOT_H] += dt;
        } else {
          b_out = mind(demand - offered, discharge_room_w(bank, e, cell, dt));
          lacking = demand - offered - b_out;
          if (lacking > 1e-6 && e > (floor + 0.01) * nominal + b_out * dt) sum[LIMITED_H] += dt;
          needed = offered;
          e = discharged(bank, e, b_out, dt, &loss);
        }
        e = mind(nominal, maxd(0, e));
        double used_shore = plan[HOOKUP_FIRST] != 0 ? mind(offer_shore, needed) : 0, used_pv = mind(pv, needed - used_shore);
        if (plan[HOOKUP_FIRST] == 0) used_shore = mind(offer_shore, needed - used_pv);
        double used_dcdc = mind(offer_dcdc, needed - used_pv - used_shore);
        double part = demand > 0 ? 1 - lacking / demand : 1;
        if (lacking > 1e-9 && e <= (floor + 1e-9) * nominal && !open) { open = 1; EVENT(now, 0); }
        q = heat_live ? q * part : 0;
        if (plan[COOL_AC] != 0 && plan[INVERTER] == 0 && !shore) cool_live = 0;
        cool = cool_live ? cool * part : 0;
        cell = warmed(bank, cell, plan[BANK_INSIDE] != 0 ? cabin : t_out, loss + el_bank * part * dt, dt);
        double end = t_out + (q + gains - cool) / ua, was_c = cabin;
        cabin = end + (cabin - end) * keep;
        double mean_cabin = end + (was_c - end) * (1 - keep) * plan[C_CABIN] / (ua * dt);
        if (plan[VOLUME] > 0) {
          double kelvin = cabin + 273.15;
          int awake = plan[DAY_FROM] <= h && h < plan[DAY_TO];
          double grams = persons * (awake ? plan[MOIST_AWAKE] : plan[MOIST_ASLEEP]) + (awake && persons > 0 ? plan[MOIST_DAY] : 0);
          double towards = mind(day_damp, saturation(t_out)) + grams / 1000 * 461.5 * kelvin / plan[AIR_FLOW];
          damp = towards + (damp - towards) * exp(-plan[AIR_FLOW] * dt / plan[VOLUME]);
          double most = saturation(cabin - plan[COLD_FACE] * (cabin - t_out));
          if (damp > most) { led[CONDENSED] += (damp - most) / (461.5 * kelvin) * plan[VOLUME] * 1000; sum[WET_H] += dt; damp = most; }
          if (persons > 0 && damp > 0.8 * saturation(cabin)) sum[DAMP_H] += dt;
        }
        double fuel = q > 0 ? q * dt / 1000 / plan[ETA_HEATER] : 0, share = (int)h >= 7 && (int)h <= 21 ? persons / 15 * dt : 0;
        if (plan[HEATER] == 1 && plan[HAS_DIESEL] != 0) {
          double burnt = mind(fuel / 9.996, diesel);
          diesel -= burnt;
          led[DIESEL_USED] += burnt;
          if (fuel_short && sum[FIRST_DIESEL] < 0) sum[FIRST_DIESEL] = now;
        }
        if (plan[HAS_GAS] != 0) {
          double need = plan[COOK_DAY] * share + (plan[HEATER] == 2 ? fuel / 12.87 : 0), taken = mind(need, gas);
          gas -= taken;
          led[GAS_USED] += taken;
          if ((need - taken > 1e-6 || (fuel_short && plan[HEATER] == 2)) && sum[FIRST_GAS] < 0) sum[FIRST_GAS] = now;
        }
        if (generating) {
          double given = shore_ac + used_shore / plan[ETA_CHARGER], burnt = (plan[GEN_IDLE] + plan[GEN_SLOPE] * given) * dt;
          if (plan[GENERATOR] == 1) { burnt = mind(burnt, can); can -= burnt; }
          else if (plan[GENERATOR] == 2) { burnt = mind(burnt, diesel); diesel -= burnt; led[DIESEL_USED] += burnt; }
          else if (plan[GENERATOR] == 3) { burnt = mind(burnt, gas); gas -= burnt; led[GAS_USED] += burnt; }
          led[GEN_FUEL] += burnt;
          led[GEN_MADE] += given * dt;
          sum[GEN_H] += dt;
        }
        double water = plan[FRESH_DAY] * share;
        if (plan[HAS_FRESH] != 0) {
          double drawn = mind(water, fresh);
          fresh -= drawn;
          led[FRESH_USED] += drawn;
          led[WATER_MISSING] += water - drawn;
          if (water - drawn > 1e-6 && sum[FIRST_FRESH] < 0) sum[FIRST_FRESH] = now;
          water = drawn;
        }
        if (plan[HAS_GREY] != 0) {
          grey += water * plan[GREY_PART];
          if (grey > plan[GREY] + 1e-6 && sum[FIRST_GREY] < 0) sum[FIRST_GREY] = now;
          grey = mind(grey, plan[GREY]);
        }
        if (plan[HAS_TOILET] != 0) {
          toilet += plan[TOILET_DAY] * share;
          if (toilet > plan[TOILET] + 1e-6 && sum[FIRST_TOILET] < 0) sum[FIRST_TOILET] = now;
          toilet = mind(toilet, plan[TOILET]);
        }
        if ((lacking + ac_short + dead_need) * dt > 1e-6) { short_today = 1; if (sum[FIRST_ELECTRICITY] < 0) sum[FIRST_ELECTRICITY] = now; }
        led[PV_AVAILABLE] += pv * dt;
        led[PV_USED] += used_pv * dt;
        led[CURTAILED] += (pv - used_pv) * dt;
        led[DCDC_USED] += used_dcdc * dt;
        led[SHORE_DC] += used_shore * dt;
        led[SHORE_AC] += shore_ac * dt;
        led[DEMAND] += (demand + shore_ac + ac_short + dead) * dt;
        led[SERVED] += (demand - lacking + shore_ac) * dt;
        led[UNSERVED] += (lacking + ac_short + (was_open ? dead : 0)) * dt;
        led[SHED] += was_open ? 0 : dead * dt;
        if (inverter > 0) led[INVERTER_LOSS] += (inverter - ac_live) * part * dt;
        led[BATTERY_IN] += b_in * dt;
        led[BATTERY_OUT] += b_out * dt;
        led[BATTERY_LOSS] += loss;
        led[SELF_LOSS] += leak;
        led[STORED] += e - before;
        led[HEAT] += q * dt;
        led[COOL] += cool * dt;
        led[COOL_MISSING] += (want_cool - cool) * dt;
        led[HEATER_EL] += heat_live ? (el + el_mains) * part * dt : 0;
        led[COOLER_EL] += cool_live ? el_cool * part * dt : 0;
        led[BANK_HEAT] += el_bank * part * dt;
        led[GAINS] += gains * dt;
        led[HEAT_OUT] += ua * (mean_cabin - t_out) * dt;
        led[HEAT_STORED] += plan[C_CABIN] * (cabin - was_c);
        led[HEAT_MISSING] += (want - q) * dt;
        led[GHI] += ghi * dt / 1000;
        cold_h = cabin < aim - 3 ? cold_h + dt : 0;
        sum[COLD_RUN_H] = maxd(sum[COLD_RUN_H], cold_h);
        least_cell = mind(least_cell, cell);
        least_soc = mind(least_soc, e / nominal);
        least_cabin = mind(least_cabin, cabin);
        most_cabin = maxd(most_cabin, cabin);
        if (persons > 0 && cabin > 30) sum[HOT_H] += dt;
        if (plan[HAS_BAY] != 0 && cabin - plan[BAY_B] * (cabin - t_out) < 0) { sum[BAY_FREEZE_H] += dt; if (sum[FIRST_BAY] < 0) sum[FIRST_BAY] = now; }
        if (cabin < 0 && fresh + grey > 0 && (plan[HAS_FRESH] != 0 || plan[HAS_GREY] != 0)) sum[FREEZE_H] += dt;
      }
      if (snowed) sum[SNOW_DAYS] += 1;
      if (short_today) { short_day[d * day_count + j] = 1; sum[SHORT_DAYS] += 1; }
    }
    sum[LEAST_SOC] = least_soc; sum[LEAST_CABIN] = least_cabin; sum[MOST_CABIN] = most_cabin; sum[END_SOC] = e / nominal;
    sum[END_FRESH] = fresh; sum[END_GREY] = grey; sum[END_TOILET] = toilet; sum[END_GAS] = gas; sum[END_DIESEL] = diesel; sum[END_GEN] = can; sum[LEAST_CELL] = least_cell;
    event_count[d] = n_events;
  }
}
