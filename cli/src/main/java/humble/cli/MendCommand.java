package humble.cli;

import humble.core.kit.KitFault;
import humble.core.mend.Diagnosis;
import humble.core.mend.TwoFaults;
import humble.core.units.Engineering;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

/** Says what readings make of a board that does not do what it should. */
@Command(
    name = "mend",
    description = "Say what is likely wrong, and the measurement worth making next.")
final class MendCommand extends humble.cli.Command {
  private static final int MOST_TOLD = 8;

  /** Where nothing explains the readings, only what is still likely is told. */
  private static final double LEAST_TOLD = 0.05;

  @Mixin MendInput input = new MendInput();

  @Override
  Answer answer() {
    MendInput.Search search = input.search();
    List<TwoFaults.Pair> pairs =
        search.known().explained()
            ? List.of()
            : search.diagnosis().pairs(search.observations(), () -> false);
    return answer(search.known(), pairs, search.predictions().solvable());
  }

  private static Answer answer(
      Diagnosis.Known known, List<TwoFaults.Pair> pairs, boolean solvable) {
    List<String> text = new ArrayList<>();
    List<Map<String, @Nullable Object>> suspects = new ArrayList<>();
    for (Diagnosis.Named named : known.suspects()) {
      suspects.add(suspect(named));
    }
    if (!known.explained()) {
      text.add("No single fault explains these readings: read them again, or think of two.");
    }
    known.suspects().stream()
        .filter(named -> known.explained() || named.belief() >= LEAST_TOLD)
        .limit(MOST_TOLD)
        .forEach(named -> text.add(told(named)));
    Diagnosis.Next next = known.next().orElse(null);
    if (next != null) {
      tell(next, text);
    }
    List<Map<String, @Nullable Object>> two = new ArrayList<>();
    for (TwoFaults.Pair pair : pairs) {
      text.add(String.format(Locale.ROOT, "%3.0f %%  %s", 100 * pair.belief(), pair.text()));
      two.add(
          Answer.object(
              "faults",
              List.of(pair.first().name(), pair.second().name()),
              "belief",
              pair.belief()));
    }
    if (!solvable) {
      text.add("The circuit has no operating point in this state: nothing can be predicted.");
    }
    return new Answer(
        Answer.object(
            "suspects",
            suspects,
            "next",
            next == null ? null : next(next),
            "done",
            known.done(),
            "explained",
            known.explained(),
            "pairs",
            two),
        text,
        !solvable);
  }

  private static Map<String, @Nullable Object> suspect(Diagnosis.Named named) {
    Map<String, @Nullable Object> each =
        Answer.object(
            "fault",
            named.suspect().name(),
            "belief",
            named.belief(),
            "group",
            named.group(),
            "shows",
            named.shows());
    KitFault ofKit = named.suspect().known();
    if (ofKit != null) {
      each.put("title", ofKit.title());
      each.put("try", ofKit.tryThis());
    }
    return each;
  }

  private static String told(Diagnosis.Named named) {
    return String.format(
        Locale.ROOT,
        "%3.0f %%  %s%s",
        100 * named.belief(),
        named.suspect().name(),
        !named.shows()
            ? " and all else that shows in nothing here, " + named.group().size() + " faults"
            : named.group().size() > 1
                ? ", or " + (named.group().size() - 1) + " that read the same"
                : "");
  }

  private static void tell(Diagnosis.Next next, List<String> text) {
    text.add(
        String.format(
            Locale.ROOT,
            "next: %s, %.1f minutes, worth %.2f bits",
            next.measure(),
            next.minutes(),
            next.gainBits()));
    next.predict()
        .forEach((fault, value) ->
            text.add(
                "      "
                    + (Double.isInfinite(value)
                        ? "open"
                        : Engineering.reading(value, next.measure().unit()))
                    + "  "
                    + fault));
    next.looks().forEach((fault, look) -> text.add("      " + look.text() + "  " + fault));
  }

  private static Map<String, @Nullable Object> next(Diagnosis.Next next) {
    Map<String, @Nullable Object> predict = new LinkedHashMap<>();
    next.predict()
        .forEach((fault, value) ->
            predict.put(fault, Double.isInfinite(value) ? "open" : (Object) value));
    next.looks().forEach((fault, look) -> predict.put(fault, look.text()));
    return Answer.object(
        "measure",
        next.measure().toString(),
        "minutes",
        next.minutes(),
        "expected_gain_bits",
        next.gainBits(),
        "predict",
        predict);
  }
}
