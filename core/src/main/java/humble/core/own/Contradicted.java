package humble.core.own;

import humble.core.build.Build;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.KitOption;
import humble.core.kit.Line;
import humble.core.kit.Loose;
import humble.core.kit.Peripheral;
import humble.core.power.FirstPower;
import humble.core.units.Band;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What a build has done that its kit, as it is told now, no longer speaks of: what is built is
 * kept, and named.
 */
public final class Contradicted {
  private Contradicted() {}

  /** Gives a sentence for each; empty where the kit and the build agree. */
  public static List<Phrase> of(Kit kit, Build build) {
    List<Phrase> all = new ArrayList<>();
    for (String ref : build.fittedRefs()) {
      Optional<Line> line = kit.lineOf(ref);
      if (line.isEmpty()) {
        all.add(Phrase.of("own.against.fitted", ref));
      } else if (kit.placeOf(ref).isEmpty() && ToPlace.hasPlaces(line.get())) {
        all.add(Phrase.of("own.against.placeless", ref));
      }
    }
    Set<String> items = kit.lines().stream().map(Line::id).collect(Collectors.toSet());
    kit.loose().stream().map(Loose::id).forEach(items::add);
    build.counted().keySet().stream()
        .filter(item -> !items.contains(item))
        .forEach(item -> all.add(Phrase.of("own.against.counted", item)));
    build
        .passedGates()
        .forEach((id, value) -> {
          Optional<Gate> gate = kit.gate(id);
          Optional<Band> window = gate.flatMap(Gate::fixedWindow);
          if (gate.isEmpty() && !FirstPower.isAdded(id)) {
            all.add(Phrase.of("own.against.gate", id));
          } else if (window.filter(band -> !band.holds(value)).isPresent()) {
            all.add(Phrase.of("own.against.window", gate.orElseThrow().title(), value));
          }
        });
    build
        .choices()
        .forEach((option, choice) -> {
          Optional<KitOption> asked =
              kit.options().stream().filter(each -> each.id().equals(option)).findFirst();
          if (asked.flatMap(each -> each.choice(choice)).isEmpty()) {
            all.add(Phrase.of("own.against.choice", option, choice));
          }
        });
    Set<String> peripherals =
        kit.peripherals().stream().map(Peripheral::id).collect(Collectors.toSet());
    build.awake().stream()
        .filter(id -> !peripherals.contains(id))
        .forEach(id -> all.add(Phrase.of("own.against.awake", id)));
    return all;
  }
}
