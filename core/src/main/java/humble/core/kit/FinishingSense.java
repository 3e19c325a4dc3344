package humble.core.kit;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** What trims, calibrations and proofs of a kit name that is not there. */
final class FinishingSense {
  private final Parts parts;
  private final Set<String> known = new HashSet<>();
  private final Set<String> ids = new HashSet<>();
  private final List<Finding> findings = new ArrayList<>();

  private FinishingSense(Parts parts) {
    this.parts = parts;
    Kit kit = parts.kit();
    kit.gates().forEach(gate -> known.add(gate.id()));
    kit.tasks().forEach(task -> known.add(task.id()));
    kit.peripherals().forEach(each -> ids.add(each.id()));
    known.addAll(ids);
    known.addAll(kit.finishing().ids());
  }

  static List<Finding> of(Parts parts) {
    FinishingSense sense = new FinishingSense(parts);
    Finishing all = parts.kit().finishing();
    for (int i = 0; i < all.trims().size(); i++) {
      Trim trim = all.trims().get(i);
      sense.named("trims/" + i, trim.id(), trim.after());
      Set<String> screws = new HashSet<>();
      for (int k = 0; k < trim.knobs().size(); k++) {
        Trim.Screw screw = trim.knobs().get(k);
        String at = "trims/" + i + "/knobs/" + k;
        if (!screws.add(screw.knob().id())) {
          sense.error(at + "/id", "There are two knobs '" + screw.knob().id() + "'.");
        }
        if (!screw.ref().isEmpty() && parts.part(screw.ref()).isEmpty()) {
          sense.error(at + "/ref", "There is no part '" + screw.ref() + "'.");
        }
      }
    }
    for (int i = 0; i < all.calibrations().size(); i++) {
      Calibration one = all.calibrations().get(i);
      sense.named("calibrations/" + i, one.id(), one.after());
      for (int k = 0; k < one.steps().size(); k++) {
        sense.loose("calibrations/" + i + "/steps/" + k, one.steps().get(k).loose());
      }
    }
    for (int i = 0; i < all.proofs().size(); i++) {
      Proof proof = all.proofs().get(i);
      sense.named("proofs/" + i, proof.id(), proof.after());
      sense.loose("proofs/" + i, proof.loose());
      for (String pin : proof.terminals()) {
        if (PinRef.parse(pin).flatMap(parts::canonical).isEmpty()) {
          sense.error("proofs/" + i + "/terminals", "'" + pin + "' is no pin of this kit.");
        }
      }
    }
    return sense.findings;
  }

  private void named(String at, String id, List<String> after) {
    if (!ids.add(id)) {
      error(at + "/id", "Something else is called '" + id + "' too.");
    }
    for (String before : after) {
      if (before.equals(id)) {
        error(at + "/after", "'" + id + "' cannot come after itself.");
      } else if (!known.contains(before)) {
        error(
            at + "/after",
            "'" + before + "' is no gate, task, peripheral, trim, calibration or proof.");
      }
    }
  }

  private void loose(String at, String loose) {
    if (!loose.isEmpty()
        && parts.kit().loose().stream().noneMatch(item -> item.id().equals(loose))) {
      error(at + "/loose", "There is no loose part '" + loose + "'.");
    }
  }

  private void error(String at, String text) {
    findings.add(Finding.error("kit.json#/" + at, text));
  }
}
