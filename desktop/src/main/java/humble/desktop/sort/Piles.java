package humble.desktop.sort;

import humble.core.build.BuildEvent;
import humble.core.kit.Kit;
import humble.core.kit.Line;
import humble.core.kit.PartKind;
import humble.core.likeness.Eyes;
import humble.core.likeness.Light;
import humble.core.likeness.LookAlikes;
import humble.core.stock.BatchCheck;
import humble.core.stock.MeterProfile;
import humble.core.units.Quantity;
import humble.core.units.QuantityText;
import humble.core.words.Phrase;
import humble.desktop.hand.Seat;
import humble.desktop.session.OpenBuild;
import humble.desktop.session.Progress;
import humble.desktop.stage.LineNames;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** The piles that resistors go to, and who looks alike under which lamp, to which eyes. */
final class Piles {
  private final Seat seat;
  private final OpenBuild open;
  private @Nullable LookAlikes alikes;
  private @Nullable Seeing seen;

  /** Under which lamp, with which eyes, with which meter. */
  private record Seeing(Light light, Eyes eyes, MeterProfile meter) {}

  Piles(Seat seat, OpenBuild open) {
    this.seat = seat;
    this.open = open;
  }

  Seat seat() {
    return seat;
  }

  OpenBuild open() {
    return open;
  }

  /** Gives the lines, what is to be measured first: the rest is then told by its bands. */
  List<Line> inOrder() {
    List<Line> lines = new ArrayList<>(Progress.toSort(open.kit()));
    LookAlikes now = alikes();
    lines.sort(Comparator.comparing(line -> !now.measure().contains(line.id())));
    return lines;
  }

  /** Gives the first line whose pile is not known. */
  Optional<Line> current() {
    return inOrder().stream().filter(line -> !Progress.sorted(open.build(), line)).findFirst();
  }

  Light light() {
    return open.build().sees().flatMap(s -> Light.named(s.light())).orElse(Light.DAYLIGHT);
  }

  Eyes eyes() {
    return open.build().sees().flatMap(s -> Eyes.named(s.eyes())).orElse(Eyes.NORMAL);
  }

  MeterProfile meter() {
    return open.build().meter().flatMap(MeterProfile::named).orElse(MeterProfile.USUAL);
  }

  LookAlikes alikes() {
    Seeing now = new Seeing(light(), eyes(), meter());
    LookAlikes known = alikes;
    if (known == null || !now.equals(seen)) {
      known = LookAlikes.of(open.kit(), now.light(), now.eyes(), now.meter());
      alikes = known;
      seen = now;
    }
    return known;
  }

  /** Tells whether a line can be told from the others by the meter alone. */
  boolean toMeasure(Line line) {
    return alikes().measure().contains(line.id());
  }

  /** Gives the lines that no meter at this bench tells from one. */
  List<String> cannotTell(Line line) {
    return alikes().cannotTell().stream()
        .filter(pair -> pair.contains(line.id()))
        .flatMap(List::stream)
        .filter(id -> !id.equals(line.id()))
        .map(this::name)
        .toList();
  }

  /** Gives the lines that look like one. */
  List<String> like(Line line) {
    return alikes().of(line.id()).stream()
        .map(pair -> name(pair.a().equals(line.id()) ? pair.b() : pair.a()))
        .toList();
  }

  String name(String id) {
    return open.kit().line(id).map(line -> LineNames.brief(seat.words(), line)).orElse(id);
  }

  /** Gives what the last readings say against the meter or its leads, when they do. */
  Optional<Phrase> suspectMeter() {
    List<BatchCheck.Reading> readings = new ArrayList<>();
    for (BuildEvent.Entry entry : open.build().inForce()) {
      if (entry.event() instanceof BuildEvent.Measured measured) {
        ohms(open.kit(), measured.line())
            .ifPresent(nominal -> readings.add(reading(nominal, measured.value())));
      }
    }
    return BatchCheck.suspect(readings);
  }

  private BatchCheck.Reading reading(double nominal, double value) {
    double digit = Math.pow(10, Math.floor(Math.log10(Math.max(value, 1e-9))) - 2);
    return new BatchCheck.Reading(nominal, value, meter().at(value).uncertainty(value, digit));
  }

  static OptionalDouble ohms(Kit kit, String id) {
    Line line = kit.line(id).orElse(null);
    return line != null
            && line.kind() == PartKind.RESISTOR
            && Quantity.parse(line.value()) instanceof QuantityText.Read read
        ? OptionalDouble.of(read.value())
        : OptionalDouble.empty();
  }
}
