package humble.cli;

import humble.core.kit.Kit;
import humble.core.kit.Peripheral;
import humble.core.wake.BusPlan;
import humble.core.words.Words;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** Addresses and pull-ups of a bus of two wires. */
@Command(
    name = "i2c",
    description = "Plan the addresses of a bus of two wires, and judge its pull-ups.")
final class WakeBus extends humble.cli.Command {
  private static final int HIGHEST = 0x7f;

  @Parameters(paramLabel = "KIT")
  @Nullable Path kit;

  @Option(names = "--bus", paramLabel = "ID", description = "Which one, where the kit has several.")
  @Nullable String id;

  @Option(
      names = "--found",
      split = ",",
      paramLabel = "ADDRESS",
      description = "Addresses that answered.")
  List<String> found = new ArrayList<>();

  @Option(
      names = "--bus-pf",
      paramLabel = "PF",
      description = "Capacitance of each line, devices included, in picofarads.")
  @Nullable Double pf;

  @Override
  Answer answer() {
    Peripheral.Bus bus = bus(kit(Objects.requireNonNull(kit)));
    List<Integer> addresses = addresses();
    Double measured = pf;
    if (measured != null && !(measured > 0)) {
      throw new BadInput("--bus-pf: it must be more than 0.");
    }
    BusPlan plan =
        BusPlan.of(bus, measured == null ? OptionalDouble.empty() : OptionalDouble.of(measured));
    boolean asked = !found.isEmpty();
    List<BusPlan.Given> missing = asked ? plan.missing(addresses) : List.of();
    List<Integer> strays = asked ? plan.strays(addresses) : List.of();
    BusPlan.Pullup pullup = plan.pullup();
    String advice = Words.core(Locale.ENGLISH).say(pullup.advice());
    Map<String, @Nullable Object> ohms = new LinkedHashMap<>();
    ohms.put("now_ohm", pullup.nowOhm().isPresent() ? pullup.nowOhm().getAsDouble() : null);
    ohms.put("min_ohm", pullup.minOhm());
    ohms.put("max_ohm", pullup.maxOhm().isPresent() ? pullup.maxOhm().getAsDouble() : null);
    ohms.put("advice", advice);
    Map<String, @Nullable Object> json = new LinkedHashMap<>();
    json.put("plan", plan.plan().stream().map(WakeBus::json).toList());
    json.put(
        "clashes",
        plan.clashes().stream()
            .map(clash -> Answer.object("address", clash.address(), "refs", clash.refs()))
            .toList());
    json.put("missing", missing.stream().map(WakeBus::json).toList());
    json.put("strays", strays);
    json.put("pullup", ohms);
    if (!plan.reserved().isEmpty()) {
      json.put("reserved", plan.reserved().stream().map(WakeBus::json).toList());
    }
    List<BusPlan.Given> elsewhere = asked ? plan.elsewhere(bus, addresses) : List.of();
    if (!elsewhere.isEmpty()) {
      json.put("elsewhere", elsewhere.stream().map(WakeBus::json).toList());
    }
    List<String> rows = new ArrayList<>();
    plan.plan().forEach(given -> rows.add(hex(given.address()) + "  " + given.ref()));
    plan.clashes()
        .forEach(clash ->
            rows.add(hex(clash.address()) + "  clash: " + String.join(", ", clash.refs())));
    missing.forEach(given -> rows.add(hex(given.address()) + "  no answer: " + given.ref()));
    strays.forEach(address -> rows.add(hex(address) + "  answers, and nothing is planned there"));
    elsewhere.forEach(given ->
        rows.add(hex(given.address()) + "  may be " + given.ref() + ", strapped otherwise"));
    plan.reserved()
        .forEach(
            given -> rows.add(hex(given.address()) + "  is kept by the standard: " + given.ref()));
    rows.add(advice);
    return new Answer(
        json, rows, !plan.clashes().isEmpty() || !missing.isEmpty() || !strays.isEmpty());
  }

  private Peripheral.Bus bus(Kit opened) {
    String wanted = id;
    return opened.peripherals().stream()
        .filter(each -> wanted == null || each.id().equals(wanted))
        .filter(Peripheral.Bus.class::isInstance)
        .map(Peripheral.Bus.class::cast)
        .findFirst()
        .orElseThrow(() ->
            new BadInput(
                wanted == null
                    ? "The kit has no bus of two wires."
                    : "--bus: the kit has no bus of two wires '" + wanted + "'."));
  }

  private List<Integer> addresses() {
    List<String> problems = new ArrayList<>();
    List<Integer> all = new ArrayList<>();
    for (String text : found) {
      String word = text.strip();
      long value =
          word.matches("0[xX][0-9a-fA-F]{1,4}")
              ? Long.parseLong(word.substring(2), 16)
              : word.matches("[0-9]{1,5}") ? Long.parseLong(word) : -1;
      if (value < 0 || value > HIGHEST) {
        problems.add("--found: '" + word + "' is no address of seven bits.");
      } else {
        all.add((int) value);
      }
    }
    if (!problems.isEmpty()) {
      throw new BadInput(problems);
    }
    return all;
  }

  private static Map<String, @Nullable Object> json(BusPlan.Given given) {
    return Answer.object("ref", given.ref(), "address", given.address());
  }

  private static String hex(int address) {
    return String.format(Locale.ROOT, "0x%02x", address);
  }
}
