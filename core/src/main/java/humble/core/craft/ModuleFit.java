package humble.core.craft;

import humble.core.kit.Kit;
import humble.core.kit.ModuleRows;
import humble.core.kit.PinRef;
import humble.core.kit.Place;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/** Where a module goes, by the labels printed at its pins; or that it must not be plugged in. */
public sealed interface ModuleFit {
  /** It goes into this row, as it lies. */
  record Row(ModuleRows.Row row) implements ModuleFit {}

  /** It meets no row; in the nearest one these labels would meet others. */
  record DoNotPlug(ModuleRows.Row nearest, List<Meeting> meetings) implements ModuleFit {
    public DoNotPlug {
      meetings = List.copyOf(meetings);
    }
  }

  /** A pin of the module over a hole that is something else. */
  record Meeting(int hole, String module, String board) {}

  /** What a module's one supply pin means, whatever it is called. */
  String SUPPLY = "+";

  /** Labels that mean the same on most modules. */
  Map<String, String> SAME =
      Map.ofEntries(
          Map.entry("vdd", SUPPLY),
          Map.entry("vcc", SUPPLY),
          Map.entry("vin", SUPPLY),
          Map.entry("5v", SUPPLY),
          Map.entry("3v3", SUPPLY),
          Map.entry("vss", "-"),
          Map.entry("gnd", "-"),
          Map.entry("0v", "-"),
          Map.entry("sck", "clk"),
          Map.entry("scl", "clk"),
          Map.entry("rx", "rxd"),
          Map.entry("tx", "txd"));

  /**
   * Decides it.
   *
   * @param rows rows that the board offers
   * @param labels what is printed at the module's pins, from its pin 1
   * @throws IllegalArgumentException when no row has as many holes as there are labels
   */
  static ModuleFit of(List<ModuleRows.Row> rows, List<String> labels) {
    Optional<ModuleFit> best = Optional.empty();
    int fewest = Integer.MAX_VALUE;
    for (ModuleRows.Row row : rows) {
      if (row.labels().size() != labels.size()) {
        continue;
      }
      List<Meeting> meetings = meetings(row, labels);
      if (meetings.isEmpty()) {
        return new Row(row);
      }
      if (meetings.size() < fewest) {
        fewest = meetings.size();
        best = Optional.of(new DoNotPlug(row, meetings));
      }
    }
    return best.orElseThrow(
        () -> new IllegalArgumentException("no row has " + labels.size() + " holes"));
  }

  /**
   * Gives the kit with a module in one of its rows: its place there, and every pin on the net of
   * the hole with its label.
   */
  static Kit inRow(Kit kit, ModuleRows module, ModuleRows.Row row) {
    ModuleRows.Row first = module.rows().getFirst();
    if (row.equals(first)) {
      return kit;
    }
    List<Place> places = new ArrayList<>();
    for (Place place : kit.places()) {
      places.add(
          place.ref().equals(module.ref()) ? place.movedTo(place.onBoard(row.offset())) : place);
    }
    Map<String, List<PinRef>> nets = new LinkedHashMap<>();
    kit.nets()
        .forEach((net, pins) ->
            nets.put(
                net,
                pins.stream()
                    .map(pin -> pin.ref().equals(module.ref()) ? inRow(pin, first, row) : pin)
                    .toList()));
    return kit.withBoard(places, nets);
  }

  /** The pin of the other row that carries what {@code pin} carries in the first. */
  private static PinRef inRow(PinRef pin, ModuleRows.Row first, ModuleRows.Row row) {
    int index = Integer.parseInt(pin.pin()) - 1;
    String meaning = meaning(first.labels(), index);
    for (int i = 0; i < row.labels().size(); i++) {
      if (meaning(row.labels(), i).equals(meaning)) {
        return new PinRef(pin.ref(), Integer.toString(i + 1));
      }
    }
    return pin;
  }

  private static List<Meeting> meetings(ModuleRows.Row row, List<String> labels) {
    List<Meeting> meetings = new ArrayList<>();
    for (int i = 0; i < labels.size(); i++) {
      if (!meaning(row.labels(), i).equals(meaning(labels, i))) {
        meetings.add(new Meeting(i + 1, labels.get(i), row.labels().get(i)));
      }
    }
    return meetings;
  }

  /** A lone supply pin is the supply; of two, such as 5V and 3V3, each is its own. */
  private static String meaning(List<String> labels, int index) {
    String plain = plain(labels.get(index));
    String meaning = SAME.getOrDefault(plain, plain);
    boolean lone =
        labels.stream().filter(each -> SUPPLY.equals(SAME.get(plain(each)))).count() == 1;
    return meaning.equals(SUPPLY) && !lone ? plain : meaning;
  }

  private static String plain(String label) {
    return label.strip().toLowerCase(Locale.ROOT);
  }
}
