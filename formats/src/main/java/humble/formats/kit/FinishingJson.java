package humble.formats.kit;

import humble.core.kit.Calibration;
import humble.core.kit.Finishing;
import humble.core.kit.Proof;
import humble.core.kit.Trim;
import humble.core.stock.Meter;
import humble.core.trim.Goal;
import humble.core.trim.Knob;
import humble.core.trim.Trimmer;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** Reads what is trimmed, how an instrument is calibrated, and what it is held to. */
final class FinishingJson {
  /** A trimmer of one turn goes round three quarters of it. */
  private static final double ONE_TURN = 0.75;

  private static final int MOST_READINGS = 100;

  private FinishingJson() {}

  static Finishing read(Cursor root) {
    return new Finishing(
        root.each("trims", FinishingJson::trim),
        root.each("calibrations", FinishingJson::calibration),
        root.each("proofs", FinishingJson::proof));
  }

  private static Trim trim(Cursor c) {
    String id = c.needId("id");
    List<Trim.Screw> knobs = c.each("knobs", FinishingJson::screw);
    if (knobs.isEmpty() || knobs.size() > Trimmer.MOST_KNOBS) {
      c.error("knobs", "One to four knobs are trimmed together.");
    }
    Optional<Cursor> reading = c.child("reading");
    if (reading.isEmpty()) {
      c.error("reading", "'reading' is missing: what is read, and what is wanted of it.");
    }
    return new Trim(
        id,
        c.maybeText("title").orElse(id),
        knobs,
        reading
            .map(FinishingJson::reading)
            .orElse(new Trim.Reading("", "", Goal.MIN, 0, 0, null, Trim.Shown.NUMBER)),
        c.text("hint"),
        c.texts("after"));
  }

  private static Trim.Screw screw(Cursor c) {
    double low = c.number("low", 0);
    double high = c.number("high", 1);
    if (!(low < high)) {
      c.error("high", "The upper end lies above the lower one.");
      high = low + 1;
    }
    double step = c.numberFrom("step", 0, 0);
    if (step > high - low) {
      c.error("step", "The finest setting is finer than the whole way.");
      step = 0;
    }
    return new Trim.Screw(
        new Knob(c.needId("id"), low, high, step),
        c.text("ref"),
        c.numberFrom("turns", 0, ONE_TURN));
  }

  private static Trim.Reading reading(Cursor c) {
    String name = c.maybeText("shown").orElse(Trim.Shown.NUMBER.text());
    Optional<Trim.Shown> shown = Trim.Shown.named(name);
    if (shown.isEmpty()) {
      c.error("shown", "A reading is shown as: " + names(Trim.Shown.values()) + ".");
    }
    double step = c.numberFrom("step", 0, shown.equals(Optional.of(Trim.Shown.BARS)) ? 1 : 0);
    return new Trim.Reading(
        c.needText("what"),
        c.text("unit"),
        goal(c),
        step,
        c.numberFrom("noise", 0, 0),
        c.pair("window").orElse(null),
        shown.orElse(Trim.Shown.NUMBER));
  }

  private static String names(Enum<?>[] all) {
    return Arrays.stream(all)
        .map(each -> each.name().toLowerCase(java.util.Locale.ROOT))
        .collect(Collectors.joining(", "));
  }

  private static Goal goal(Cursor c) {
    if (c.isText("goal")) {
      String text = c.text("goal");
      if (!text.equals("min") && !text.equals("max")) {
        c.error("goal", "What is wanted is min, max or a number to reach.");
      }
      return text.equals("max") ? Goal.MAX : Goal.MIN;
    }
    if (!c.has("goal")) {
      c.error("goal", "'goal' is missing: min, max or a number to reach.");
      return Goal.MIN;
    }
    return new Goal.Reach(c.number("goal", 0));
  }

  private static Calibration calibration(Cursor c) {
    String id = c.needId("id");
    List<Calibration.Step> steps = c.each("steps", FinishingJson::step);
    if (steps.isEmpty()) {
      c.error("steps", "A calibration has steps.");
    }
    return new Calibration(id, c.maybeText("title").orElse(id), steps, c.texts("after"));
  }

  private static Calibration.Step step(Cursor c) {
    Optional<Calibration.Doing> doing = Calibration.Doing.named(c.needText("do"));
    if (doing.isEmpty()) {
      c.error("do", "A step is one of: " + names(Calibration.Doing.values()) + ".");
    }
    int readings = c.whole("readings", 0);
    if (readings < 0 || readings > MOST_READINGS) {
      c.error("readings", "A step is read 0 to 100 times.");
      readings = 0;
    }
    String unit = c.text("unit");
    if (readings > 0 && unit.isEmpty()) {
      c.error("unit", "What is read has a unit.");
    }
    return new Calibration.Step(
        doing.orElse(Calibration.Doing.OPEN),
        c.text("say"),
        c.text("loose"),
        c.numberFrom("wait_s", 0, 0),
        unit,
        c.numberFrom("within", 0, 0),
        readings,
        c.numberFrom("nominal", 0, 0));
  }

  private static Proof proof(Cursor c) {
    String id = c.needId("id");
    String kind = c.needText("kind");
    if (!Proof.UNITS.containsKey(kind)) {
      c.error(
          "kind",
          "What is known is one of: "
              + String.join(", ", new TreeSet<>(Proof.UNITS.keySet()))
              + ".");
    }
    double nominal = 0;
    if (Quantity.parse(c.needText("nominal")) instanceof QuantityText.Read read
        && read.value() > 0) {
      nominal = read.value();
    } else {
      c.error("nominal", "A value above 0 is expected here, such as 10n.");
    }
    String meter = c.text("meter");
    if (!meter.isEmpty() && Meter.parse(meter).isEmpty()) {
      c.error("meter", "A meter is written such as 1%+2@10p.");
      meter = "";
    }
    List<String> terminals = c.texts("terminals");
    if (terminals.size() == 1) {
      c.error("terminals", "A part goes between two pins at the least.");
    }
    return new Proof(
        id,
        c.maybeText("title").orElse(id),
        kind,
        nominal,
        c.numberFrom("tolerance_pct", 0, 0),
        meter,
        c.text("loose"),
        terminals,
        c.flag("polarised", false),
        c.texts("after"));
  }
}
