package humble.formats.kit;

import humble.core.build.KitChange;
import humble.core.kit.BoardState;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Measured;
import humble.core.kit.Supply;
import humble.core.own.Edit;
import humble.core.units.Band;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes edits of a kit as changes of its kit file: only the keys that an edit sets. */
public final class EditWriter {
  private static final JsonMapper JSON = new JsonMapper();

  private EditWriter() {}

  /**
   * Gives the changes of some edits.
   *
   * @param folder the kit as it is on disk, with the changes so far
   * @param kit the kit as it was read; what its board files gave is written out before a hand
   *     changes it, for a file that says something of it is no longer completed from them
   */
  public static List<KitChange> changes(KitFolder folder, Kit kit, List<Edit> edits) {
    List<KitChange> changes = new ArrayList<>();
    if (!edits.isEmpty()) {
      changes.addAll(writtenOut(folder, kit));
    }
    edits.forEach(edit -> changes.add(change(folder, edit)));
    return changes;
  }

  /**
   * Gives what the board files gave a kit, as changes of its file: none where the file says it
   * itself, or was given nothing.
   */
  public static List<KitChange> writtenOut(KitFolder folder, Kit kit) {
    List<KitChange> changes = new ArrayList<>();
    if (kit.boards().stream().allMatch(board -> board.files().isEmpty())) {
      // Nothing was given: every answer comes by here, and the file need not be read again.
      return changes;
    }
    Set<String> silent = folder.silentOn("nets", "places");
    if (!kit.nets().isEmpty() && silent.contains("nets")) {
      ObjectNode all = JSON.createObjectNode();
      kit.nets()
          .forEach((net, pins) -> {
            ArrayNode list = all.putArray(net);
            pins.forEach(pin -> list.add(pin.toString()));
          });
      changes.add(new KitChange("nets", "", all.toString()));
    }
    if (!kit.places().isEmpty() && silent.contains("places")) {
      ArrayNode all = JSON.createArrayNode();
      kit.places().forEach(place -> KitWriter.place(all.addObject(), place));
      changes.add(new KitChange("places", "", all.toString()));
    }
    return changes;
  }

  private static KitChange change(KitFolder folder, Edit edit) {
    return switch (edit) {
      case Edit.PutBoard e -> of("boards", e.board().id(), to -> KitWriter.board(to, e.board()));
      case Edit.PutPlace e -> of("places", e.place().ref(), to -> KitWriter.place(to, e.place()));
      case Edit.DropPlace e -> new KitChange("places", e.ref(), "");
      case Edit.PutLine e -> of("lines", e.line().id(), to -> KitWriter.line(to, e.line()));
      case Edit.InPackage e -> of("lines", e.line(), to -> to.put("package", e.packageId()));
      case Edit.ActsAs e ->
          of("lines", e.line(), to -> ModelWriter.write(to.putObject("model"), e.model()));
      case Edit.HasRefs e -> of("lines", e.line(), to -> KitWriter.texts(to, "refs", e.refs()));
      case Edit.PutPackage e ->
          of("packages", e.pack().id(), to -> KitWriter.partPackage(to, e.pack()));
      case Edit.PutNet e -> {
        ArrayNode pins = JSON.createArrayNode();
        e.pins().forEach(pin -> pins.add(pin.toString()));
        yield new KitChange("nets", e.net(), pins.toString());
      }
      case Edit.DropNet e -> new KitChange("nets", e.net(), "");
      case Edit.PutSupply e -> of("supplies", e.supply().id(), to -> supply(to, e.supply()));
      case Edit.PutState e -> of("states", e.state().id(), to -> state(to, e.state()));
      case Edit.PutGate e -> of("gates", e.gate().id(), to -> gate(to, e.gate()));
      case Edit.PutCase e -> EnclosureWriter.change(folder, e.casing());
    };
  }

  private static KitChange of(String section, String id, Consumer<ObjectNode> write) {
    ObjectNode node = JSON.createObjectNode();
    write.accept(node);
    return new KitChange(section, id, ((JsonNode) node).toString());
  }

  private static void supply(ObjectNode to, Supply supply) {
    to.put("id", supply.id());
    KitWriter.number(to, "volts", supply.volts());
    KitWriter.number(to, "limit_ma", supply.limitMa());
    to.put("plus", supply.plus()).put("minus", supply.minus());
    Band range = supply.rangeV();
    if (range != null) {
      to.putArray("range_v").add(range.low()).add(range.high());
    }
    KitWriter.text(to, "polarity", supply.polarity());
  }

  private static void state(ObjectNode to, BoardState state) {
    to.put("id", state.id()).put("title", state.title());
    String supply = state.supply();
    if (supply != null) {
      to.put("supply", supply);
    }
    KitWriter.texts(to, "absent", state.absent());
    KitWriter.texts(to, "closed", state.closed());
    if (!state.drive().isEmpty()) {
      ObjectNode drive = to.putObject("drive");
      new TreeMap<>(state.drive()).forEach(drive::put);
    }
    if (!state.set().isEmpty()) {
      ObjectNode set = to.putObject("set");
      new TreeMap<>(state.set()).forEach(set::put);
    }
    if (!state.choose().isEmpty()) {
      ObjectNode choose = to.putObject("choose");
      new TreeMap<>(state.choose()).forEach(choose::put);
    }
    if (!state.sources().isEmpty()) {
      ObjectNode sources = to.putObject("sources");
      new TreeMap<>(state.sources()).forEach(sources::put);
    }
    Double share = state.share();
    if (share != null) {
      to.put("share", share);
    }
  }

  private static void gate(ObjectNode to, Gate gate) {
    to.put("id", gate.id()).put("title", gate.title());
    to.put("measure", gate.measure().text());
    KitWriter.texts(to, "at", gate.at());
    to.put("state", gate.state());
    gate.fixedWindow()
        .ifPresent(window -> {
          if (gate.measure() == Measured.CONTINUITY) {
            to.put("expect", window.equals(Measured.JOINED_OHM) ? "joined" : "open");
          } else {
            to.putObject("expect").put("min", window.low()).put("max", window.high());
          }
        });
    KitWriter.texts(to, "before", gate.before());
    KitWriter.text(to, "caution", gate.caution());
  }
}
