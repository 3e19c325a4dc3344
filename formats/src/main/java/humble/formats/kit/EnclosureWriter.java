package humble.formats.kit;

import humble.core.build.KitChange;
import humble.core.kit.Enclosure;
import humble.core.units.Band;
import java.io.IOException;
import java.util.Set;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.MissingNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a case as the section of a kit file. */
final class EnclosureWriter {
  private static final JsonMapper JSON = new JsonMapper();

  /** What may be left out where it says nothing. */
  private static final Set<String> KNOWN =
      Set.of("title", "material", "kind", "face", "thread", "depth_mm", "under", "but", "top_mm");

  private EnclosureWriter() {}

  /** Gives the change by which a kit has that case; keys that nobody here knows are kept. */
  static KitChange change(KitFolder folder, Enclosure casing) {
    ObjectNode to = written(casing);
    try {
      if (JSON.readTree(folder.bytes("kit.json")).path("enclosure") instanceof ObjectNode before) {
        keep(before, to);
      }
    } catch (IOException | JacksonException e) {
      // A kit that cannot be read has no keys to keep, and is refused where it is opened.
    }
    return new KitChange("enclosure", "", to.toString());
  }

  /** Adds what stood there before and is not written anew, entry by entry. */
  private static void keep(ObjectNode before, ObjectNode to) {
    for (var old : before.properties()) {
      if (!to.has(old.getKey())) {
        to.set(old.getKey(), old.getValue());
      } else if (to.get(old.getKey()) instanceof ArrayNode entries) {
        for (int i = 0; i < entries.size(); i++) {
          JsonNode was = same(old.getValue(), entries.get(i), i);
          if (was instanceof ObjectNode from && entries.get(i) instanceof ObjectNode entry) {
            from.properties().stream()
                .filter(key -> !entry.has(key.getKey()) && !KNOWN.contains(key.getKey()))
                .forEach(key -> entry.set(key.getKey(), key.getValue()));
          }
        }
      }
    }
  }

  private static JsonNode same(JsonNode all, JsonNode entry, int at) {
    if (!entry.has("id")) {
      return all.path(at);
    }
    for (JsonNode each : all) {
      if (each.path("id").equals(entry.path("id"))) {
        return each;
      }
    }
    return MissingNode.getInstance();
  }

  private static ObjectNode written(Enclosure casing) {
    ObjectNode to = JSON.createObjectNode();
    KitWriter.text(to, "title", casing.title());
    if (!casing.legends().isEmpty()) {
      var legends = to.putArray("legends");
      casing
          .legends()
          .forEach(each -> legends.addObject().put("ref", each.ref()).put("text", each.text()));
    }
    var layers = to.putArray("layers");
    casing.layers().forEach(layer -> layer(layers.addObject(), layer));
    var screws = to.putArray("screws");
    casing.screws().forEach(screw -> screw(screws.addObject(), screw));
    var rooms = to.putArray("rooms");
    casing.rooms().forEach(room -> room(rooms.addObject(), room));
    var cutouts = to.putArray("cutouts");
    casing.cutouts().forEach(cutout -> cutout(cutouts.addObject(), cutout));
    return to;
  }

  private static void band(ObjectNode to, String low, String high, Band band) {
    KitWriter.number(to, low, band.low());
    KitWriter.number(to, high, band.high());
  }

  private static void layer(ObjectNode to, Enclosure.Layer layer) {
    to.put("id", layer.id());
    KitWriter.text(to, "title", layer.title());
    band(to, "low_mm", "high_mm", layer.thicknessMm());
    layer.kind().ifPresent(kind -> to.put("kind", kind.text()));
    KitWriter.text(to, "material", layer.material());
    layer
        .lies()
        .ifPresent(lies -> {
          to.put("face", lies.face().text());
          KitWriter.number(to, "x_mm", lies.at().xMm());
          KitWriter.number(to, "y_mm", lies.at().yMm());
        });
  }

  private static void screw(ObjectNode to, Enclosure.Screw screw) {
    to.put("id", screw.id()).put("count", screw.count());
    KitWriter.text(to, "thread", screw.thread());
    KitWriter.texts(to, "through", screw.through());
    to.put("into", screw.into());
    KitWriter.number(to, "engage_mm", screw.engageMm());
    Double depth = screw.depthMm();
    if (depth != null) {
      KitWriter.number(to, "depth_mm", depth);
    }
    var lengths = to.putArray("lengths_mm");
    screw.lengthsMm().forEach(lengths::add);
  }

  private static void room(ObjectNode to, Enclosure.Room room) {
    to.put("board", room.board()).put("side", room.side().text());
    band(to, "low_mm", "high_mm", room.heightMm());
    KitWriter.text(to, "under", room.under());
    KitWriter.texts(to, "but", room.but());
  }

  private static void cutout(ObjectNode to, Enclosure.Cutout cutout) {
    to.put("id", cutout.id()).put("in", cutout.in()).put("for", cutout.ref());
    KitWriter.number(to, "x_mm", cutout.at().xMm());
    KitWriter.number(to, "y_mm", cutout.at().yMm());
    KitWriter.number(to, "width_mm", cutout.widthMm());
    KitWriter.number(to, "height_mm", cutout.heightMm());
    Band top = cutout.topMm();
    if (top != null) {
      band(to.putObject("top_mm"), "low", "high", top);
    }
    Double width = cutout.partWidthMm();
    Double height = cutout.partHeightMm();
    if (width != null && height != null) {
      KitWriter.number(to, "part_width_mm", width);
      KitWriter.number(to, "part_height_mm", height);
    }
  }
}
