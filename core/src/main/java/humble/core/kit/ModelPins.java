package humble.core.kit;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeSet;

/** The pins that a model names. */
final class ModelPins {
  private ModelPins() {}

  /** Gives them, in the order named. */
  static List<String> of(Model model) {
    return switch (model) {
      case Model.Bipolar q -> List.of(q.b(), q.c(), q.e());
      case Model.Mosfet q -> List.of(q.g(), q.d(), q.s());
      case Model.Regulator r -> List.of(r.in(), r.gnd(), r.out());
      case Model.Load load -> {
        List<String> pins = new ArrayList<>(List.of(load.plus(), load.minus()));
        pins.addAll(new TreeSet<>(load.outputsRonOhm().keySet()));
        Optional.ofNullable(load.starts().resetPin()).ifPresent(pins::add);
        pins.addAll(load.starts().clockPins());
        yield pins;
      }
      case Model.Switch contacts -> contacts.poles().stream().flatMap(List::stream).toList();
      case Model.Resistor fixed -> List.of("1", "2");
      case Model.Junction fixed -> List.of("1", "2");
      case Model.Zener fixed -> List.of("1", "2");
      case Model.Battery fixed -> List.of("1", "2");
      case Model.Pot pot -> pot.tracks().stream().flatMap(List::stream).distinct().toList();
      case Model.Closed fixed -> List.of("1", "2");
      case Model.Open fixed -> List.of();
    };
  }
}
