package humble.formats.kit;

import humble.core.kit.Enclosure;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.units.Band;

/** Reads the case. */
final class EnclosureJson {
  private EnclosureJson() {}

  static Enclosure read(Cursor c) {
    Enclosure enclosure =
        new Enclosure(
            c.text("title"),
            c.each("layers", l -> new Enclosure.Layer(l.needId("id"), l.text("title"), band(l))),
            c.each("screws", EnclosureJson::screw),
            c.each(
                "rooms",
                r ->
                    new Enclosure.Room(
                        r.needText("board"),
                        Side.named(r.maybeText("side").orElse("top")).orElse(Side.TOP),
                        band(r),
                        r.text("under"),
                        r.texts("but"))),
            c.each("cutouts", EnclosureJson::cutout));
    c.noteUnread();
    for (int i = 0; i < enclosure.screws().size(); i++) {
      for (String layer : enclosure.screws().get(i).through()) {
        if (enclosure.layers().stream().noneMatch(l -> l.id().equals(layer))) {
          c.error("screws", "There is no layer '" + layer + "'.");
        }
      }
    }
    return enclosure;
  }

  private static Enclosure.Screw screw(Cursor s) {
    return new Enclosure.Screw(
        s.needId("id"),
        s.whole("count", 1),
        s.text("thread"),
        s.texts("through"),
        s.text("into"),
        s.numberFrom("engage_mm", 0, 0),
        s.maybeNumber("depth_mm"),
        s.numbers("lengths_mm"));
  }

  private static Enclosure.Cutout cutout(Cursor o) {
    return new Enclosure.Cutout(
        o.needId("id"),
        o.text("in"),
        o.text("for"),
        new PointMm(o.number("x_mm", 0), o.number("y_mm", 0)),
        o.number("width_mm", 0),
        o.number("height_mm", 0),
        o.child("top_mm").map(top -> KitJson.band(top, "low", "high")).orElse(null));
  }

  private static Band band(Cursor c) {
    Band band = KitJson.band(c, "low_mm", "high_mm");
    return band == null ? new Band(0, 0) : band;
  }
}
