package humble.desktop.wake;

import humble.core.kit.BoardState;
import humble.core.kit.Model;
import humble.core.kit.Part;
import humble.core.kit.PartKind;
import humble.core.kit.Peripheral;
import humble.core.kit.PinRef;
import humble.core.wake.AxisReading;
import humble.core.wake.Rates;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.Function;

/**
 * What a test asks to be read, and what the readings mean together.
 *
 * @param asked the readings, in their order
 * @param scale the scale that they are shown on
 * @param judging what they mean
 */
record Readings(
    List<Asked> asked,
    Optional<ReadingsPicture.Scale> scale,
    Function<List<Double>, Judged> judging) {
  /** A clock that is held against another for so long tells its drift. */
  private static final double SECONDS_A_DAY = 86_400;

  private static final double IN_TUNE_CENTS = 10;
  private static final double NEARLY_CENTS = 50;
  private static final double LEAST_SHARE = 0.5;
  private static final double MOST_SHARE = 1.6;

  /** What readings mean. */
  record Judged(boolean good, String sentence, List<String> rows) {}

  Judged judge(List<Double> read) {
    return judging.apply(read);
  }

  static Optional<Readings> of(WakeBench bench, Peripheral peripheral) {
    return switch (peripheral) {
      case Peripheral.Analog analog -> Optional.of(analog(bench, analog));
      case Peripheral.Tone tone when tone.hz() > 0 -> Optional.of(tone(bench.seat(), tone));
      case Peripheral.Clock clock when clock.ppm() > 0 -> Optional.of(clock(bench.seat(), clock));
      case Peripheral.Driven driven when !driven.on().isEmpty() -> driven(bench, driven);
      default -> Optional.empty();
    };
  }

  private static Readings analog(WakeBench bench, Peripheral.Analog analog) {
    List<String> lines = analog.on().isEmpty() ? List.of("") : analog.on();
    List<String> positions =
        analog.as() == Peripheral.Sense.LIGHT
            ? List.of("dark", "light")
            : List.of("rest", "low", "high");
    List<Asked> asked = new ArrayList<>();
    for (String line : lines) {
      for (String position : positions) {
        asked.add(
            new Asked(
                bench.seat().say("wake.analog." + analog.as().text() + "." + position, line),
                bench.seat().say("wake.analog.label." + position, line),
                "",
                false,
                simulated(bench, analog, line, position)));
      }
    }
    double end = analog.counts() - 1.0;
    List<double[]> good =
        analog.as() == Peripheral.Sense.JOYSTICK
            ? List.of(
                new double[] {0, 0.1 * end},
                new double[] {end / 3, 2 * end / 3},
                new double[] {0.9 * end, end})
            : analog.as() == Peripheral.Sense.POT
                ? List.of(new double[] {0, 0.1 * end}, new double[] {0.9 * end, end})
                : List.of();
    return new Readings(
        asked,
        Optional.of(new ReadingsPicture.Scale(0, end, good)),
        read -> axes(bench.seat(), analog, lines, read));
  }

  private static Judged axes(
      Seat seat, Peripheral.Analog analog, List<String> lines, List<Double> read) {
    List<String> rows = new ArrayList<>();
    boolean good = true;
    int each = read.size() / lines.size();
    for (int i = 0; i < lines.size(); i++) {
      List<Double> own = read.subList(i * each, (i + 1) * each);
      String line = lines.get(i);
      String row;
      if (analog.as() == Peripheral.Sense.LIGHT) {
        double apart = Math.abs(own.get(1) - own.get(0)) / analog.counts();
        good &= apart >= 0.1;
        row =
            seat.say(
                apart >= 0.1 ? "wake.analog.threshold" : "wake.analog.same",
                line,
                Math.round((own.get(0) + own.get(1)) / 2));
      } else {
        AxisReading axis =
            AxisReading.of(line, List.of(own.get(0)), List.of(own.get(1), own.get(2)));
        boolean turned = own.get(1) > own.get(2);
        boolean centred = analog.as() == Peripheral.Sense.POT || axis.isCentred();
        good &= axis.reaches(analog.counts()) && centred;
        row =
            seat.say(
                axis.isDead()
                    ? "wake.analog.dead"
                    : !axis.reaches(analog.counts())
                        ? "wake.analog.short"
                        : !centred
                            ? "wake.analog.off-centre"
                            : turned ? "wake.analog.turned" : "wake.analog.good",
                line,
                Math.round(axis.low()),
                Math.round(axis.high()),
                Math.round(axis.centre()));
      }
      rows.add(row);
    }
    return new Judged(good, seat.say(good ? "wake.analog.all" : "wake.analog.not"), rows);
  }

  /** The simulated board with the knob there, or the sensor in the dark or the light. */
  private static java.util.function.Supplier<OptionalDouble> simulated(
      WakeBench bench, Peripheral.Analog analog, String line, String position) {
    OpenBuild open = bench.open();
    BoardState state = bench.powered().orElse(null);
    var practice = open.practice();
    return () -> {
      if (state == null || line.isEmpty()) {
        return OptionalDouble.empty();
      }
      Part part = open.parts().part(analog.part()).orElse(null);
      if (part == null) {
        return OptionalDouble.empty();
      }
      Map<String, Double> set =
          switch (position) {
            case "low" -> Map.of(knob(open, part, line), 0.0);
            case "high" -> Map.of(knob(open, part, line), 1.0);
            default -> Map.of();
          };
      Map<String, Double> values =
          analog.as() == Peripheral.Sense.LIGHT && part.model() instanceof Model.Resistor r
              ? Map.of(part.ref(), r.ohms() * (position.equals("dark") ? 20 : 0.1))
              : Map.of();
      boolean moves = part.model() instanceof Model.Pot || !values.isEmpty();
      return moves
          ? practice.wake().counts(analog, line, state, set, values)
          : OptionalDouble.empty();
    };
  }

  /** The wiper that leads to a line, directly or over one resistor. */
  private static String knob(OpenBuild open, Part part, String line) {
    if (!(part.model() instanceof Model.Pot pot) || pot.tracks().size() == 1) {
      return part.ref();
    }
    String net = open.parts().net(line).orElse(line);
    for (List<String> track : pot.tracks()) {
      String wiper = open.parts().netOf(new PinRef(part.ref(), track.get(1))).orElse("");
      boolean over =
          wiper.equals(net)
              || open.parts().all().stream()
                  .filter(each -> each.line().kind() == PartKind.RESISTOR)
                  .anyMatch(r -> joins(open, r, wiper, net));
      if (over) {
        return part.ref() + "." + track.get(1);
      }
    }
    return part.ref();
  }

  private static boolean joins(OpenBuild open, Part resistor, String a, String b) {
    String one = open.parts().netOf(new PinRef(resistor.ref(), "1")).orElse("");
    String other = open.parts().netOf(new PinRef(resistor.ref(), "2")).orElse("");
    return (one.equals(a) && other.equals(b)) || (one.equals(b) && other.equals(a));
  }

  private static Readings tone(Seat seat, Peripheral.Tone tone) {
    return new Readings(
        List.of(
            new Asked(
                seat.say("wake.tone.ask", Math.round(tone.hz())),
                seat.say("wake.tone.label"),
                "Hz",
                false,
                OptionalDouble::empty)),
        Optional.of(
            new ReadingsPicture.Scale(
                tone.hz() * 0.94,
                tone.hz() * 1.06,
                List.of(
                    new double[] {
                      tone.hz() * Math.pow(2, -NEARLY_CENTS / 1200),
                      tone.hz() * Math.pow(2, NEARLY_CENTS / 1200)
                    }))),
        read -> {
          double hz = read.getFirst();
          if (hz <= 0) {
            return new Judged(false, seat.say("wake.tone.silent"), List.of());
          }
          double cents = Rates.cents(hz, tone.hz());
          boolean good = Math.abs(cents) <= NEARLY_CENTS;
          return new Judged(
              good,
              seat.say(
                  Math.abs(cents) <= IN_TUNE_CENTS
                      ? "wake.tone.in-tune"
                      : good ? "wake.tone.nearly" : "wake.tone.off",
                  Math.round(cents)),
              List.of());
        });
  }

  private static Readings clock(Seat seat, Peripheral.Clock clock) {
    return new Readings(
        List.of(
            new Asked(
                seat.say("wake.clock.hours"),
                seat.say("wake.clock.hours.label"),
                "h",
                false,
                OptionalDouble::empty),
            new Asked(
                seat.say("wake.clock.off"),
                seat.say("wake.clock.off.label"),
                "s",
                true,
                OptionalDouble::empty)),
        Optional.empty(),
        read -> {
          double true_ = read.get(0) * 3600;
          if (true_ <= 0) {
            return new Judged(false, seat.say("wake.clock.no-time"), List.of());
          }
          double ppm = Rates.ppm(true_ + read.get(1), true_);
          boolean good = Math.abs(ppm) <= clock.ppm();
          return new Judged(
              good,
              seat.say(
                  good ? "wake.clock.good" : "wake.clock.drifts",
                  String.format(Locale.ROOT, "%+.1f", ppm),
                  String.format(Locale.ROOT, "%+.1f", ppm * SECONDS_A_DAY / 1e6),
                  clock.ppm()),
              List.of());
        });
  }

  /** What more the board takes when the pin goes high, as its circuit says, and what is read. */
  private static Optional<Readings> driven(WakeBench bench, Peripheral.Driven driven) {
    BoardState state = bench.powered().orElse(null);
    if (state == null) {
      return Optional.empty();
    }
    OptionalDouble expected = bench.open().healthy().drivenMa(driven.on(), state);
    if (expected.isEmpty() || expected.getAsDouble() < 1) {
      return Optional.empty();
    }
    double ma = expected.getAsDouble();
    var practice = bench.open().practice();
    Seat seat = bench.seat();
    return Optional.of(
        new Readings(
            List.of(
                new Asked(
                    seat.say("wake.driven.ask", driven.on()),
                    seat.say("wake.driven.label"),
                    "mA",
                    false,
                    () -> practice.wake().drivenMa(driven.on(), state))),
            Optional.of(
                new ReadingsPicture.Scale(
                    0, 2 * ma, List.of(new double[] {LEAST_SHARE * ma, MOST_SHARE * ma}))),
            read -> {
              double share = read.getFirst() / ma;
              boolean good = share >= LEAST_SHARE && share <= MOST_SHARE;
              return new Judged(
                  good,
                  seat.say(
                      good
                          ? "wake.driven.good"
                          : share < LEAST_SHARE ? "wake.driven.little" : "wake.driven.much",
                      read.getFirst(),
                      ma),
                  List.of());
            }));
  }
}
