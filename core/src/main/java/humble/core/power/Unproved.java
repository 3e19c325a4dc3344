package humble.core.power;

import humble.core.build.Build;
import humble.core.build.BuildEvent;
import humble.core.build.Finished;
import humble.core.kit.Gate;
import humble.core.kit.Kit;
import humble.core.kit.Proof;
import humble.core.kit.TaskKind;
import humble.core.kit.Trim;
import humble.core.words.Phrase;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * What a build has not proved: gates not read, programs not read back, peripherals not tried. A
 * thing works only where something was powered and tried.
 */
public final class Unproved {
  private Unproved() {}

  /** Gives a sentence for each thing that was not proved; empty when everything was. */
  public static List<Phrase> of(Kit kit, Build build) {
    List<Phrase> open = new ArrayList<>();
    if (!wasPowered(kit, build)) {
      open.add(Phrase.of("unproved.power"));
    }
    if (restsOnPractice(build)) {
      open.add(Phrase.of("unproved.practice"));
    }
    if (!build.unseen().isEmpty()) {
      open.add(Phrase.of("unproved.unseen", build.unseen().size()));
    }
    kit.handwork()
        .windings()
        .forEach(winding ->
            winding.coils().stream()
                .filter(coil -> !coil.ends().isEmpty())
                .filter(coil -> !build.isThrough(winding.id(), coil.id()))
                .forEach(coil -> open.add(Phrase.of("unproved.coil", winding.ref(), coil.id()))));
    for (Gate gate : kit.gates()) {
      if (!build.passedGates().containsKey(gate.id())) {
        open.add(Phrase.of("unproved.gate", gate.title()));
      }
    }
    FirstPower.checks(kit).stream()
        .filter(check -> !build.checked().getOrDefault(check.id(), false))
        .forEach(check -> open.add(Phrase.of("unproved.check", check.title())));
    kit.firmware()
        .images()
        .forEach(image -> {
          BuildEvent.Loaded loaded = build.loaded().get(image.id());
          if (loaded == null) {
            open.add(Phrase.of("unproved.image", image.id()));
          } else if (!loaded.verified()) {
            open.add(Phrase.of("unproved.read-back", image.id()));
          }
          if (loaded != null && !build.started().getOrDefault(image.id(), false)) {
            open.add(Phrase.of("unproved.starts", image.id()));
          }
        });
    kit.peripherals().stream()
        .filter(peripheral -> !build.awake().contains(peripheral.id()))
        .forEach(peripheral -> open.add(Phrase.of("unproved.peripheral", peripheral.id())));
    kit.tasks().stream()
        .filter(task -> task.kind() == TaskKind.TEST)
        .filter(
            task -> !build.doneSteps().contains(task.id()) || build.hearsay().contains(task.id()))
        .forEach(task -> open.add(Phrase.of("unproved.test", task.title())));
    finishing(kit, build, open);
    boolean tries =
        !kit.peripherals().isEmpty()
            || kit.tasks().stream().anyMatch(task -> task.kind() == TaskKind.TEST);
    if (!tries) {
      open.add(Phrase.of("unproved.nothing-tried"));
    }
    return open;
  }

  /** An instrument that was not proved shows numbers, no values. */
  private static void finishing(Kit kit, Build build, List<Phrase> open) {
    Finished finished = build.finished();
    for (Trim trim : kit.finishing().trims()) {
      Optional<BuildEvent.TrimLeft> left = finished.left(trim.id());
      if (left.isEmpty()) {
        open.add(Phrase.of("unproved.trim", trim.title()));
      } else if (!left.get().reached()) {
        open.add(Phrase.of("unproved.trim-left", trim.title()));
      }
    }
    kit.finishing().calibrations().stream()
        .filter(each -> !finished.isCalibrated(each))
        .forEach(each -> open.add(Phrase.of("unproved.calibration", each.title())));
    for (Proof proof : kit.finishing().proofs()) {
      Optional<BuildEvent.Proved> read = finished.proved(proof.id());
      if (read.isEmpty()) {
        open.add(Phrase.of("unproved.proof", proof.title()));
      } else if (!read.get().verdict().equals("inside")) {
        open.add(Phrase.of("unproved.proof-" + read.get().verdict(), proof.title()));
      }
    }
  }

  /** Tells whether anybody powered it, on the bench or on the practice bench. */
  public static boolean wasPowered(Kit kit, Build build) {
    return kit.gates().stream()
            .anyMatch(
                gate -> gate.measure().isPowered() && build.passedGates().containsKey(gate.id()))
        || build.checked().getOrDefault("full", false)
        || build.seriesRead().values().stream().anyMatch(BuildEvent.SeriesRead::goes)
        || !build.awake().isEmpty();
  }

  private static boolean answered(BuildEvent event, Build build) {
    return event instanceof BuildEvent.Saw saw
            && saw.practice()
            && build.awake().contains(saw.peripheral())
        || event instanceof BuildEvent.Coiled coil && coil.practice() && coil.through();
  }

  /** Tells whether anything that was read or tried was simulated. */
  public static boolean restsOnPractice(Build build) {
    return build.gateReadings().values().stream()
            .anyMatch(read -> read.practice() && build.passedGates().containsKey(read.gate()))
        || build.loaded().values().stream().anyMatch(BuildEvent.Loaded::practice)
        || build.seriesRead().values().stream().anyMatch(BuildEvent.SeriesRead::practice)
        || build.finished().restsOnPractice()
        || build.inForce().stream().anyMatch(entry -> answered(entry.event(), build));
  }
}
