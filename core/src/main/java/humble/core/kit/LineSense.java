package humble.core.kit;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What a line says of its parts that cannot be so, or that leads to nothing. */
final class LineSense {
  private final Kit kit;
  private final List<Finding> findings = new ArrayList<>();

  private final Map<String, PartPackage> packOf = new HashMap<>();

  private LineSense(Kit kit) {
    this.kit = kit;
    for (Line line : kit.lines()) {
      kit.packageNamed(line.packageId())
          .ifPresent(pack -> line.refs().forEach(ref -> packOf.putIfAbsent(ref, pack)));
    }
  }

  static List<Finding> of(Kit kit) {
    LineSense sense = new LineSense(kit);
    for (int i = 0; i < kit.lines().size(); i++) {
      sense.line("/lines/" + i, kit.lines().get(i));
    }
    for (int i = 0; i < kit.places().size(); i++) {
      sense.place("/places/" + i, kit.places().get(i));
    }
    for (int i = 0; i < kit.handwork().windings().size(); i++) {
      sense.winding("/windings/" + i, kit.handwork().windings().get(i));
    }
    sense.soldered();
    return sense.findings;
  }

  /** What is soldered on already is never absent, and no step or choice fits it. */
  private void soldered() {
    Set<String> soldered = kit.soldered();
    kit.places().stream()
        .filter(place -> place.mount() == Mount.SOCKETED)
        .forEach(place -> soldered.remove(place.ref()));
    for (int i = 0; i < kit.states().size(); i++) {
      String at = "/states/" + i + "/absent";
      common(kit.states().get(i).absent(), soldered)
          .forEach(ref ->
              findings.add(
                  Finding.error(
                      "kit.json#" + at,
                      ref + " is soldered to the board already: it is never absent.")));
    }
    for (int i = 0; i < kit.sheet().size(); i++) {
      String at = "/sheet/" + i + "/refs";
      common(kit.sheet().get(i).refs(), soldered)
          .forEach(ref -> warn(at, ref + " is soldered to the board already: no step fits it."));
    }
    for (int i = 0; i < kit.options().size(); i++) {
      String at = "/options/" + i + "/choices";
      for (KitOption.Choice choice : kit.options().get(i).choices()) {
        List<String> named = new ArrayList<>(choice.fit());
        named.addAll(choice.omit());
        common(named, soldered)
            .forEach(ref ->
                warn(at, ref + " is soldered to the board already: no choice fits or omits it."));
      }
    }
  }

  private static List<String> common(List<String> refs, Set<String> soldered) {
    return refs.stream().filter(soldered::contains).toList();
  }

  private void warn(String at, String text) {
    findings.add(Finding.warning("kit.json#" + at, text));
  }

  private void line(String at, Line line) {
    Particulars own = line.particulars();
    if (own.unpolarised() && !line.polarityMarks().isEmpty()) {
      warn(at + "/polarity_marks", "It is unpolarised, and shows which way round it goes.");
    }
    boolean light = line.kind() == PartKind.LED;
    if (own.clearLens() && !light) {
      warn(at + "/clear_lens", "Only an LED has a lens to look at; nothing asks for it here.");
    } else if (own.clearLens() && own.colour().isEmpty()) {
      warn(
          at + "/clear_lens",
          "Its lens is clear and no 'colour' is given: it cannot be tried before it is fitted.");
    }
    boolean cap = line.kind() == PartKind.BUTTON || line.kind() == PartKind.SWITCH;
    if (!own.colour().isEmpty() && !light && !cap) {
      warn(
          at + "/colour",
          "'colour' is the light of an LED or the cap of a key; nothing asks for it here.");
    }
    onHost(at, line);
    Optional<PartPackage> pack = kit.packageNamed(line.packageId());
    if (own.method() == Particulars.Method.PASTE
        && pack.filter(p -> p.lead() != LeadClass.SMD).isPresent()) {
      warn(at + "/method", "Paste is for contacts on pads; its package has leads through holes.");
    }
  }

  /** What comes off, and what replaces something, belongs to a board that was there before. */
  private void onHost(String at, Line line) {
    Particulars own = line.particulars();
    if (own.comesOff() && own.soldered() != Particulars.Soldered.HOST) {
      error(at + "/comes_off", "Only a part with 'on_board' 'host' comes off a host.");
    }
    if (own.aged() != null && line.isOnBoard()) {
      error(
          at + "/aged", "It is on the board itself: 'aged' stands with the part that replaces it.");
    }
    for (String ref : line.refs()) {
      Optional<Place> place = kit.placeOf(ref);
      boolean onHost = place.flatMap(p -> kit.board(p.board())).map(Board::host).orElse(false);
      if (own.aged() != null && !onHost) {
        warn(
            at + "/aged",
            ref + " sits on no board with 'host': nothing there is older than the kit.");
      }
      if (own.soldered() == Particulars.Soldered.HOST && place.isPresent() && !onHost) {
        warn(
            at + "/on_board",
            ref + " is a part of a host and sits on a board that is not one: say 'host' there.");
      }
    }
  }

  private void error(String at, String text) {
    findings.add(Finding.error("kit.json#" + at, text));
  }

  private void place(String at, Place place) {
    Optional<PartPackage> pack = Optional.ofNullable(packOf.get(place.ref()));
    if (place.pitchMm() != null && pack.filter(p -> p.pitchMm() <= 0).isPresent()) {
      warn(at + "/pitch_mm", "'pitch_mm' is for parts of two leads; this one has another number.");
    }
    pack.flatMap(p -> LeadForm.of(p, place))
        .filter(form -> form.way() == LeadForm.Way.NONE)
        .ifPresent(form ->
            warn(at + "/pitch_mm", "It goes into these holes in no way its height allows."));
  }

  private void winding(String at, Winding winding) {
    Optional<PartPackage> pack = Optional.ofNullable(packOf.get(winding.ref()));
    for (int i = 0; i < winding.coils().size(); i++) {
      for (String end : winding.coils().get(i).ends()) {
        if (pack.filter(p -> p.pin(end).isEmpty()).isPresent()) {
          findings.add(
              Finding.error(
                  "kit.json#" + at + "/coils/" + i + "/ends",
                  winding.ref() + " has no pin '" + end + "'."));
        }
      }
    }
  }
}
