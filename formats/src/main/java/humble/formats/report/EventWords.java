package humble.formats.report;

import humble.core.build.BuildEvent;
import humble.core.firmware.NumberBase;
import humble.core.units.Engineering;
import humble.core.words.Words;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Puts an event into one short sentence. */
public final class EventWords {
  private EventWords() {}

  /** Says {@code event} with the words of the report. */
  public static String say(Words words, BuildEvent event) {
    return switch (event) {
      case BuildEvent.Began e -> words.say("event.began", e.name());
      case BuildEvent.Counted e -> words.say("event.counted", e.item(), e.pieces());
      case BuildEvent.Measured e ->
          words.say("event.measured", e.line(), Engineering.reading(e.value(), "Ω"));
      case BuildEvent.BandsRead e -> words.say("event.bands", e.line());
      case BuildEvent.Sees e -> words.say("event.sees", e.light(), e.eyes());
      case BuildEvent.FedBy e -> words.say("event.fed-by." + fed(e.how()));
      case BuildEvent.SettingMade e ->
          e.value().isEmpty()
              ? words.say("event.setting-left", e.setting())
              : words.say("event.setting", e.setting(), e.value());
      case BuildEvent.BesideDone e -> beside(words, e);
      case BuildEvent.RowPut e ->
          words.say("event.row-put", e.program(), hex(e.address()), NumberBase.HEX.of(e.value()));
      case BuildEvent.RowRead e ->
          words.say("event.row-read", e.program(), hex(e.address()), NumberBase.HEX.of(e.value()));
      case BuildEvent.PanelOff e -> words.say("event.panel-off");
      case BuildEvent.ProgramShown e ->
          words.say(
              (e.good() ? "event.program" : "event.program-odd")
                  + (e.practice() ? "-practice" : ""),
              e.program(),
              NumberBase.HEX.of(e.lights()));
      // What stands in the command is the maker's own business.
      case BuildEvent.UsesProgrammer e ->
          words.say(e.command().isEmpty() ? "event.programmer-none" : "event.programmer");
      case BuildEvent.SeriesRead e ->
          words.say(
              e.goes() ? "event.series" : "event.series-stop",
              Engineering.reading(e.volts(), "V"),
              e.state());
      case BuildEvent.Checked e ->
          words.say(e.fine() ? "event.checked" : "event.checked-odd", check(words, e.check()));
      case BuildEvent.UsesMeter e -> words.say("event.meter", e.profile());
      case BuildEvent.HostRead e ->
          words.say(e.fits() ? "event.host" : "event.host-wrong", e.shown());
      case BuildEvent.Surveyed e -> known(words, "event.surveyed", e.found(), e.ref());
      case BuildEvent.Answered e -> answered(words, e);
      case BuildEvent.HoleSeen e -> known(words, "event.hole", e.state(), e.pin());
      case BuildEvent.LookedOver e ->
          words.say(e.fine() ? "event.looked" : "event.looked-found", e.spot(), e.board());
      case BuildEvent.Snapped e -> words.say("event.snapped", e.line());
      case BuildEvent.Chose e -> words.say("event.chose", e.option(), e.choice());
      case BuildEvent.TookSchool e -> words.say("event.school", e.school());
      case BuildEvent.Moved e ->
          e.before().isEmpty()
              ? words.say("event.moved-last", e.step())
              : words.say("event.moved", e.step(), e.before());
      case BuildEvent.Turned e -> words.say("event.turned", e.side(), e.turnDeg());
      case BuildEvent.MarkSeen e -> words.say("event.mark", e.mark(), e.step());
      case BuildEvent.Acknowledged e ->
          e.reason().isEmpty()
              ? words.say("event.acknowledged", e.at())
              : words.say("event.acknowledged-why", e.at(), e.reason());
      case BuildEvent.SaysDangers e ->
          e.dangers().isEmpty()
              ? words.say("event.dangers-none")
              : words.say("event.dangers", List.copyOf(dangers(words, e)));
      case BuildEvent.CameAlong e ->
          words.say(e.otherHand() ? "event.taken-over" : "event.came-along", e.from());
      case BuildEvent.SeenFitted e ->
          words.say(e.there() ? "event.seen-fitted" : "event.not-there", List.copyOf(e.refs()));
      case BuildEvent.RestsOn e ->
          e.build().isEmpty()
              ? words.say("event.rests-none")
              : words.say("event.rests-on", e.name());
      case BuildEvent.PhotoKept e -> words.say("event.photo", e.at());
      case BuildEvent.Drilled e -> words.say("event.drilled", e.skill());
      case BuildEvent.Walked e -> words.say("event.walked");
      case BuildEvent.PlansEvenings e -> words.say("event.evenings", e.minutes());
      case BuildEvent.MarksWeighed e ->
          words.say(e.conflict() ? "event.marks-conflict" : "event.marks", e.line(), e.lead());
      case BuildEvent.ModuleRead e ->
          e.row().isEmpty()
              ? words.say("event.module-none", e.ref(), e.labels())
              : words.say("event.module", e.ref(), e.labels(), e.row());
      case BuildEvent.Wound e -> words.say("event.wound", e.winding(), e.coil(), e.turns());
      case BuildEvent.Coiled e ->
          words.say(
              e.through() ? "event.coiled" : "event.coiled-not",
              e.winding(),
              e.coil(),
              ohms(words, e.ohms()));
      case BuildEvent.Tried e ->
          e.colour().isEmpty()
              ? words.say("event.tried-dark", e.line())
              : words.knows("event.tried-" + e.colour())
                  ? words.say("event.tried-" + e.colour(), e.line())
                  : words.say("event.tried", e.line(), e.colour());
      case BuildEvent.JointSeen e -> words.say("event.joint", e.pin(), e.seen());
      case BuildEvent.Fitted e ->
          e.refs().isEmpty()
              ? words.say("event.task", e.step())
              : words.say("event.fitted", List.copyOf(e.refs()));
      case BuildEvent.FittedSome e -> words.say("event.fitted-some", List.copyOf(e.refs()));
      case BuildEvent.TookOut e -> words.say("event.took-out", List.copyOf(e.refs()));
      case BuildEvent.LeftOut e -> words.say("event.left-out", e.ref(), e.reason());
      case BuildEvent.Replaced e -> words.say("event.replaced", e.ref(), e.reason());
      case BuildEvent.GateRead e ->
          words.say("event.gate-read", gate(words, e.gate()), reading(words, e));
      case BuildEvent.GatePassed e -> words.say("event.gate-passed", gate(words, e.gate()));
      case BuildEvent.GateOverridden e ->
          words.say("event.gate-overridden", gate(words, e.gate()), e.reason());
      case BuildEvent.FaultHidden e -> words.say("event.hidden", e.level());
      case BuildEvent.Observed e -> words.say("event.observed", e.what());
      case BuildEvent.Mended e ->
          words.say(
              e.practice() ? "event.mended-practice" : "event.mended",
              FaultWords.say(words, e.fault()),
              e.measurements());
      case BuildEvent.Repaired e -> words.say("event.repaired", e.fault());
      case BuildEvent.Loaded e -> words.say("event.loaded", e.image(), e.bytes());
      case BuildEvent.Started e ->
          words.say(e.byItself() ? "event.started" : "event.not-started", e.image());
      case BuildEvent.Saw e -> words.say("event.saw", e.peripheral(), facts(words, e.facts()));
      case BuildEvent.Woke e -> words.say("event.woke", e.peripheral());
      case BuildEvent.TrimAnew e -> words.say("event.trim-anew", e.trim());
      case BuildEvent.TrimTried e ->
          e.heard().isEmpty()
              ? words.say("event.trim-tried", e.trim(), settings(e.at()), number(e.reads()))
              : words.say("event.trim-heard", e.trim(), settings(e.at()), heard(words, e.heard()));
      case BuildEvent.TrimLeft e ->
          words.say(
              e.reached() ? "event.trim-reached" : "event.trim-left",
              e.trim(),
              settings(e.at()),
              e.byEar() ? words.say("event.by-ear") : number(e.reads()));
      case BuildEvent.Calibrated e ->
          e.reads().isEmpty()
              ? words.say("event.calibrated", e.calibration(), e.step())
              : words.say("event.calibrated-read", e.calibration(), e.step(), settings(e.reads()));
      case BuildEvent.Proved e ->
          words.say(
              words.knows("event.proved." + e.verdict())
                  ? "event.proved." + e.verdict()
                  : "event.proved",
              e.proof(),
              Engineering.reading(e.reads(), ""));
      case BuildEvent.ScrewTaken e ->
          e.cutMm() > 0
              ? words.say("event.screw-cut", e.screw(), mm(e.mm()), mm(e.cutMm()))
              : words.say("event.screw", e.screw(), mm(e.mm()));
      case BuildEvent.Closed e ->
          words.knows("event.closed." + e.step())
              ? words.say("event.closed." + e.step())
              : words.say("event.closed", e.step());
      case BuildEvent.Noted e -> words.say("event.noted", e.text());
      case BuildEvent.Wrong e -> words.say("event.wrong", e.at());
      case BuildEvent.TookBack e -> words.say("event.took-back", e.number());
      case BuildEvent.Unread e -> words.say("event.unread", e.kind(), e.why());
    };
  }

  private static List<String> dangers(Words words, BuildEvent.SaysDangers e) {
    return e.dangers().stream()
        .map(danger ->
            words.knows("event.danger." + danger) ? words.say("event.danger." + danger) : danger)
        .toList();
  }

  /** The gate that is read once more before the last screw is none of the kit's. */
  private static String gate(Words words, String id) {
    return id.equals(BuildEvent.Closed.ONCE_MORE) ? words.say("event.gate.once-more") : id;
  }

  private static String heard(Words words, String heard) {
    String key = "event.ear." + heard;
    return words.knows(key) ? words.say(key) : heard;
  }

  private static String settings(List<Double> all) {
    return String.join(", ", all.stream().map(EventWords::number).toList());
  }

  private static String number(double value) {
    return String.format(Locale.ROOT, "%.4g", value);
  }

  private static String mm(double value) {
    return String.format(Locale.ROOT, "%.1f mm", value);
  }

  /** Gives a gate's reading with its unit. */
  static String reading(Words words, BuildEvent.GateRead read) {
    return Double.isInfinite(read.value())
        ? words.say("event.open")
        : Engineering.reading(read.value(), read.unit());
  }

  private static String ohms(Words words, double ohms) {
    return Double.isInfinite(ohms) ? words.say("event.open") : Engineering.reading(ohms, "Ω");
  }

  private static String fed(String how) {
    return how.equals("limited") ? how : "plain";
  }

  private static String check(Words words, String check) {
    String key = "check." + check;
    return words.knows(key) ? words.say(key) : check;
  }

  /** A fact is told by its own words; one that has none yet by its name and what it is. */
  private static String facts(Words words, Map<String, String> facts) {
    List<String> told = new ArrayList<>();
    facts.forEach((name, value) -> {
      String exact = "fact." + name + "." + value;
      String key = words.knows(exact) || value.isEmpty() ? exact : "fact." + name;
      String text = words.knows(key) ? words.say(key, value) : name + " " + value;
      if (!text.isBlank()) {
        told.add(text);
      }
    });
    return String.join(", ", told);
  }

  private static String beside(Words words, BuildEvent.BesideDone e) {
    String key = "event.beside." + e.kind();
    return words.say(
        words.knows(key) ? key + (e.good() ? "" : "-odd") : "event.beside",
        e.id(),
        e.count(),
        e.practice() ? 1 : 0,
        e.said().isEmpty() ? words.say("event.beside.no-limits") : e.said());
  }

  private static String hex(long address) {
    return String.format(java.util.Locale.ROOT, "%02x", address);
  }

  /** A word that another version wrote is told as it is. */
  /** What was asked is named by the word before the colon, and what it was about by the rest. */
  private static String answered(Words words, BuildEvent.Answered e) {
    int colon = e.question().indexOf(':');
    String kind = colon < 0 ? e.question() : e.question().substring(0, colon);
    String about = colon < 0 ? "" : e.question().substring(colon + 1);
    String key = "event.answered." + kind;
    return words.knows(key)
        ? words.say(key, about, e.said())
        : words.say("event.answered", e.question(), e.said());
  }

  private static String known(Words words, String key, String word, String at) {
    String own = key + "." + word;
    return words.knows(own) ? words.say(own, at) : words.say(key + ".other", at, word);
  }
}
