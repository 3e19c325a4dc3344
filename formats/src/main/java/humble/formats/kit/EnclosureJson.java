package humble.formats.kit;

import humble.core.kit.Enclosure;
import humble.core.kit.PointMm;
import humble.core.kit.Side;
import humble.core.units.Band;
import java.util.Optional;

/** Reads the case. */
final class EnclosureJson {
  private EnclosureJson() {}

  static Enclosure read(Cursor c) {
    Enclosure enclosure =
        new Enclosure(
            c.text("title"),
            c.each("layers", EnclosureJson::layer),
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
            c.each("cutouts", EnclosureJson::cutout),
            c.each("legends", l -> new Enclosure.Legend(l.needText("ref"), l.needText("text"))));
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

  private static Enclosure.Layer layer(Cursor l) {
    String id = l.needId("id");
    Optional<String> kind = l.maybeText("kind");
    Optional<Enclosure.LayerKind> known = kind.flatMap(Enclosure.LayerKind::named);
    if (kind.isPresent() && known.isEmpty()) {
      l.error("kind", "There is no kind of layer '" + kind.get() + "'.");
    }
    Double x = l.maybeNumber("x_mm");
    Double y = l.maybeNumber("y_mm");
    Optional<String> face = l.maybeText("face");
    if (face.isPresent() && Side.named(face.get()).isEmpty()) {
      l.error("face", "A board has a 'top' and a 'bottom'; '" + face.get() + "' is neither.");
    }
    Side side = face.flatMap(Side::named).orElse(Side.TOP);
    return new Enclosure.Layer(
        id,
        l.text("title"),
        band(l),
        known,
        l.text("material"),
        x == null && y == null && face.isEmpty()
            ? Optional.empty()
            : Optional.of(
                new Enclosure.Lies(new PointMm(x == null ? 0 : x, y == null ? 0 : y), side)));
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
        o.child("top_mm").map(top -> KitJson.band(top, "low", "high")).orElse(null),
        o.maybeNumber("part_width_mm"),
        o.maybeNumber("part_height_mm"));
  }

  private static Band band(Cursor c) {
    Band band = KitJson.band(c, "low_mm", "high_mm");
    return band == null ? new Band(0, 0) : band;
  }
}
