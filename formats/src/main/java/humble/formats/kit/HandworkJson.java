package humble.formats.kit;

import humble.core.kit.Cable;
import humble.core.kit.Handwork;
import humble.core.kit.ModuleRows;
import humble.core.kit.PointMm;
import humble.core.kit.Winding;
import humble.core.kit.WireRun;
import java.util.List;
import java.util.Optional;

/** Reads coils to wind, wires to join and the rows that modules go into. */
final class HandworkJson {
  private static final int MOST_CONDUCTORS = 1000;

  private HandworkJson() {}

  static Handwork read(Cursor root) {
    return new Handwork(
        root.each("windings", HandworkJson::winding),
        root.each("wires", HandworkJson::wire),
        root.each(
            "modules", c -> new ModuleRows(c.needText("ref"), c.each("rows", HandworkJson::row))),
        root.each("cables", HandworkJson::cable));
  }

  private static Cable cable(Cursor c) {
    List<String> ends = c.texts("ends");
    if (ends.size() != 2 || ends.getFirst().equals(ends.getLast())) {
      c.error("ends", "A cable has two ends, each a connector.");
      ends = List.of("", " ");
    }
    int pins = c.whole("pins", 0);
    if (pins < 1 || pins > MOST_CONDUCTORS) {
      c.error("pins", "A cable has 1 to 1000 conductors.");
      pins = 1;
    }
    if (!c.maybeText("way").orElse(Cable.STRAIGHT).equals(Cable.STRAIGHT)) {
      c.error("way", "A cable is 'straight': pin k to pin k.");
    }
    return new Cable(c.needId("id"), pins, ends.getFirst(), ends.getLast());
  }

  private static Winding winding(Cursor c) {
    Optional<Cursor> core = c.child("core");
    if (core.isEmpty()) {
      c.error("core", "'core' is missing.");
    }
    return new Winding(
        c.needId("id"),
        c.text("ref"),
        core.map(HandworkJson::ring).orElse(new Winding.Core(2, 1, 1, 1, "")),
        positive(c, "wire_diameter_mm"),
        c.numberFrom("tails_mm", 0, 0),
        c.each("coils", HandworkJson::coil));
  }

  private static Winding.Core ring(Cursor c) {
    Winding.Core core =
        new Winding.Core(
            positive(c, "od_mm"),
            positive(c, "id_mm"),
            positive(c, "height_mm"),
            positive(c, "al_nh"),
            c.text("colour"));
    if (core.idMm() >= core.odMm()) {
      c.error("id_mm", "The hole is not smaller than the ring.");
    }
    c.noteUnread();
    return core;
  }

  private static double positive(Cursor c, String key) {
    double value = c.needNumber(key);
    if (value <= 0) {
      c.error(key, "It must be more than 0.");
      return 1;
    }
    return value;
  }

  private static Winding.Coil coil(Cursor c) {
    int turns = c.whole("turns", 0);
    Double target = c.maybeNumber("target_h");
    if (turns == 0 && (target == null || target <= 0)) {
      c.error("turns", "A coil has turns, or a target_h of more than 0.");
    }
    String sense = c.maybeText("sense").orElse("cw");
    if (!List.of("cw", "ccw").contains(sense)) {
      c.error("sense", "A coil is wound cw or ccw.");
    }
    List<String> ends = c.texts("ends");
    if (!ends.isEmpty() && (ends.size() != 2 || ends.getFirst().equals(ends.getLast()))) {
      c.error("ends", "A coil ends at two pins: where it begins, and where it ends.");
      ends = List.of();
    }
    return new Winding.Coil(c.needId("id"), turns, target, sense, ends);
  }

  private static WireRun wire(Cursor c) {
    return new WireRun(
        c.needId("id"),
        c.text("colour"),
        c.needText("from"),
        c.needText("to"),
        c.text("task"),
        c.numberFrom("length_mm", 0, 0));
  }

  private static ModuleRows.Row row(Cursor c) {
    return new ModuleRows.Row(
        c.needId("id"), c.texts("labels"), new PointMm(c.number("dx_mm", 0), c.number("dy_mm", 0)));
  }
}
