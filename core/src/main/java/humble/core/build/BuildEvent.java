package humble.core.build;

import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;

/** Something that a person did or read, in the order it happened; a build is the fold of these. */
public sealed interface BuildEvent {
  /** A build of a kit began. {@code kitPath} says where its kit file is. */
  record Began(String name, String kitId, String kitPath, long practiceSeed)
      implements BuildEvent {}

  /**
   * A question about the kit itself was answered at the bench: where a part goes, what a net joins.
   *
   * @param question which question, such as {@code place:R1}
   * @param said the answer, as it was given
   * @param guessed what of it nobody has looked at yet, such as {@code package:R1}
   * @param changes what it changes in the kit
   */
  record Answered(String question, String said, List<String> guessed, List<KitChange> changes)
      implements BuildEvent {
    public Answered {
      guessed = List.copyOf(guessed);
      changes = List.copyOf(changes);
    }
  }

  /** So many pieces of a line or loose item were counted. */
  record Counted(String item, int pieces) implements BuildEvent {}

  /** A part was measured and put into the cup of a line; {@code value} in the base unit. */
  record Measured(String line, double value, String verdict) implements BuildEvent {}

  /** The bands of a line were read and agree. */
  record BandsRead(String line) implements BuildEvent {}

  /** The lamp over the bench and the eyes that look were said. */
  record Sees(String light, String eyes) implements BuildEvent {}

  /** The meter at the bench was said: one of the common profiles. */
  record UsesMeter(String profile) implements BuildEvent {}

  /**
   * The number printed on the host board was read; {@code fits} tells whether the kit is for it.
   */
  record HostRead(String shown, boolean fits) implements BuildEvent {}

  /** A place of a host board was looked at: {@code empty}, {@code there} or {@code burnt}. */
  record Surveyed(String ref, String found) implements BuildEvent {}

  /** A hole of a host board was looked at: {@code open}, {@code filled} or {@code lifted}. */
  record HoleSeen(String pin, String state) implements BuildEvent {}

  /** A place on the bare board was looked at; {@code fine} tells that it is as it should be. */
  record LookedOver(String board, String spot, boolean fine) implements BuildEvent {}

  /** The strips counted under a line were snapped. */
  record Snapped(String line) implements BuildEvent {}

  /** An option was decided. */
  record Chose(String option, String choice) implements BuildEvent {}

  /** A school of order was taken. */
  record TookSchool(String school) implements BuildEvent {}

  /** A step of the plan was moved by hand before another; an empty one stands for the end. */
  record Moved(String step, String before) implements BuildEvent {}

  /** The board was laid otherwise: side and turn. */
  record Turned(String board, String side, int turnDeg) implements BuildEvent {}

  /** A mark that tells which way round was looked at. */
  record MarkSeen(String step, String mark) implements BuildEvent {}

  /**
   * A caution was acknowledged.
   *
   * @param at what it stands at
   * @param reason why the person goes on all the same; empty in journals of before it was asked for
   */
  record Acknowledged(String at, String reason) implements BuildEvent {
    public Acknowledged {
      reason = Objects.requireNonNullElse(reason, "");
    }
  }

  /**
   * What the finished thing does that can hurt others was said, once, of a kit whose author says
   * nothing of it.
   *
   * @param dangers {@code vehicle}, {@code mains}, {@code transmits}; none of them stands for
   *     nothing of the kind
   */
  record SaysDangers(List<String> dangers) implements BuildEvent {
    public SaysDangers {
      dangers = List.copyOf(dangers);
    }
  }

  /**
   * The build came here from another bench.
   *
   * @param kitPath where its kit is now
   * @param from name of the file that it came in
   * @param otherHand whether somebody else built it so far: what was read and proved is then
   *     hearsay, and is asked for anew
   */
  record CameAlong(String kitPath, String from, boolean otherHand) implements BuildEvent {}

  /**
   * Parts that another hand fitted were looked at.
   *
   * @param there whether they are there, and the right way round; else they are not on the board
   */
  record SeenFitted(List<String> refs, boolean there) implements BuildEvent {
    public SeenFitted {
      refs = List.copyOf(refs);
    }
  }

  /**
   * The build rests on another one of this bench: a second job on the same board, or something that
   * was built earlier and goes into this.
   *
   * @param build id of the other build; empty where it rests on none any more
   * @param name what that build is called
   */
  record RestsOn(String build, String name) implements BuildEvent {}

  /**
   * A photo was kept beside the journal.
   *
   * @param file its name among the photos of the bench
   * @param stage the stage it was dropped on
   * @param at what it shows: a step, a part, a joint, in words
   */
  record PhotoKept(String file, String stage, String at) implements BuildEvent {}

  /** A drill of the practice was answered. Belongs to the bench rather than to a build. */
  record Drilled(String skill, boolean right, double seconds) implements BuildEvent {}

  /** The walk through the window was seen, to the end or not. Belongs to the bench. */
  record Walked(boolean toTheEnd) implements BuildEvent {}

  /** So many minutes at the bench are meant for an evening; 0 for no plan of evenings. */
  record PlansEvenings(int minutes) implements BuildEvent {}

  /**
   * The marks of one part of a line were weighed; {@code lead} is empty while they leave it open.
   */
  record MarksWeighed(String line, String lead, double belief, boolean conflict)
      implements BuildEvent {}

  /** The labels at a module's pins were read; {@code row} is empty where it meets none. */
  record ModuleRead(String ref, List<String> labels, String row) implements BuildEvent {
    public ModuleRead {
      labels = List.copyOf(labels);
    }
  }

  /** A coil has so many turns now. */
  record Wound(String winding, String coil, int turns) implements BuildEvent {}

  /**
   * A coil was measured end to end, soldered in; {@code through} tells that its wire is joined at
   * both ends. Ohms are infinite where nothing is joined.
   */
  record Coiled(String winding, String coil, double ohms, boolean through, boolean practice)
      implements BuildEvent {}

  /**
   * A light of a line was lit before it was fitted, and gave a colour; empty where it gave none.
   */
  record Tried(String line, String colour) implements BuildEvent {}

  /** A joint was looked at under the magnifier. */
  record JointSeen(String pin, String seen) implements BuildEvent {}

  /** A step of the plan was done: a fit, an insertion or a task. */
  record Fitted(String step, List<String> refs, int joints) implements BuildEvent {
    public Fitted {
      refs = List.copyOf(refs);
    }
  }

  /** Some parts of a step were fitted; the rest comes later. */
  record FittedSome(String step, List<String> refs, int joints) implements BuildEvent {
    public FittedSome {
      refs = List.copyOf(refs);
    }
  }

  /** What was put in for one step alone was taken out again: a cell, a mate that held a header. */
  record TookOut(String step, List<String> refs) implements BuildEvent {
    public TookOut {
      refs = List.copyOf(refs);
    }
  }

  /** A part is not fitted; {@code reason} is the person's own. */
  record LeftOut(String ref, String reason) implements BuildEvent {}

  /** Another part takes the place of one; {@code reason} says which, or why. */
  record Replaced(String ref, String reason) implements BuildEvent {}

  /**
   * What gives the power at this bench was said: {@code limited}, a supply with a current limit, or
   * {@code plain}, one without.
   */
  record FedBy(String how) implements BuildEvent {}

  /**
   * The volts across a resistor that stood in the plus lead were read; {@code goes} tells that the
   * board takes no more than it should.
   */
  record SeriesRead(String state, double volts, boolean goes, boolean practice)
      implements BuildEvent {}

  /**
   * A check of first power was done on a kit that gives no gate; {@code fine} tells that it was as
   * it should be.
   */
  record Checked(String check, boolean fine) implements BuildEvent {
    /** The check, at the beginning, that a supply is at hand which fits. */
    public static final String SUPPLY = "supply";
  }

  /**
   * A gate was read, in the unit of what is measured there; {@code practice} tells that the
   * practice bench answered.
   */
  record GateRead(String gate, double value, String unit, String verdict, boolean practice)
      implements BuildEvent {
    /** Reads what was written before gates had units, too: they were of volts. */
    public GateRead {
      unit = Objects.requireNonNullElse(unit, "V");
    }

    /** Makes a reading in volts. */
    public GateRead(String gate, double value, String verdict, boolean practice) {
      this(gate, value, "V", verdict, practice);
    }
  }

  /** A gate was passed with a reading as expected. */
  record GatePassed(String gate, double value) implements BuildEvent {}

  /** A gate was passed without the reading it asks for; {@code reason} is the person's own. */
  record GateOverridden(String gate, String reason) implements BuildEvent {}

  /**
   * A fault was hidden on the practice bench.
   *
   * @param state the state of the board it was drawn for
   * @param level 1 to 3
   * @param fault what is wrong, as the command line writes it
   * @param least measurements that the advice needs to find it in that state
   */
  record FaultHidden(String state, int level, String fault, int least) implements BuildEvent {
    public FaultHidden {
      // Journals of before the fault itself was kept: nothing is hidden any more.
      fault = Objects.requireNonNullElse(fault, "");
    }
  }

  /** Something was read or seen while mending, as the command line writes it. */
  record Observed(String state, String what, boolean practice) implements BuildEvent {}

  /** What it was: a fault, found after so many measurements. */
  record Mended(String state, String fault, int measurements, boolean practice)
      implements BuildEvent {}

  /**
   * What was found was mended, the power off; the gates that were read with the fault on the board
   * are shut again.
   */
  record Repaired(String state, String fault, List<String> gates) implements BuildEvent {
    public Repaired {
      gates = List.copyOf(gates);
    }
  }

  /**
   * A setting beside a program is as the maker wants it.
   *
   * @param value what it is; {@code …} where it is nobody else's business, empty when it is left
   */
  record SettingMade(String setting, String value) implements BuildEvent {}

  /**
   * Something beside the programs was looked at or laid in its place.
   *
   * @param id name within the kit
   * @param kind {@code channels}, {@code card}, {@code page} or {@code library}
   * @param count channels, files or fields
   * @param good whether all of it is as it should be
   * @param practice whether it was done on the practice bench
   * @param said the limits that were stated, {@code low..high}, either end empty; empty for none
   */
  record BesideDone(String id, String kind, int count, boolean good, boolean practice, String said)
      implements BuildEvent {
    /** A table of channels was judged. */
    public static final String CHANNELS = "channels";

    /** Files were laid on a card and read back. */
    public static final String CARD = "card";

    /** A module's own page was filled in. */
    public static final String PAGE = "page";

    /** The state of a library was kept. */
    public static final String LIBRARY = "library";
  }

  /** A byte of a program was toggled in at the front panel. */
  record RowPut(String program, long address, int value) implements BuildEvent {}

  /** A byte was read back from the lights of the front panel. */
  record RowRead(String program, long address, int value) implements BuildEvent {}

  /** The power went: what was toggled in is gone. */
  record PanelOff(String program) implements BuildEvent {}

  /**
   * A program that was toggled in ran.
   *
   * @param lights what the data lights showed
   * @param good whether that is as it should be
   * @param practice whether the machine is simulated
   */
  record ProgramShown(String program, int lights, boolean good, boolean practice)
      implements BuildEvent {}

  /** The command by which the maker's own programmer is run; empty for none. */
  record UsesProgrammer(String command) implements BuildEvent {}

  /**
   * An image was loaded.
   *
   * @param verified whether what is in the chip was read back, the same
   * @param practice whether the chip is simulated
   * @param file name of the file that was sent; empty in old journals
   * @param crc32 CRC-32 of its bytes, 0 in old journals
   * @param way how it was sent: {@code practice}, {@code own}, or a port or drive by its name
   * @param proof what speaks for it: {@code read-back}, {@code blocks}, {@code taken}, {@code
   *     command} or nothing
   */
  record Loaded(
      String image,
      String target,
      long bytes,
      String sha256,
      boolean verified,
      boolean practice,
      String file,
      long crc32,
      String way,
      String proof)
      implements BuildEvent {
    /** Makes one of which nothing more is known. */
    public Loaded(
        String image,
        String target,
        long bytes,
        String sha256,
        boolean verified,
        boolean practice) {
      this(image, target, bytes, sha256, verified, practice, "", 0, "", "");
    }
  }

  /** Power was off and on again, and the program that was loaded began by itself, or did not. */
  record Started(String image, boolean byItself, boolean practice) implements BuildEvent {}

  /**
   * Facts about a peripheral were seen, or set: each by the name that its wake test gives it. A
   * later fact takes the place of an earlier one of its name.
   */
  record Saw(String peripheral, Map<String, String> facts, boolean practice) implements BuildEvent {
    public Saw {
      facts = Collections.unmodifiableMap(new TreeMap<>(facts));
    }
  }

  /** A peripheral does what it should. */
  record Woke(String peripheral) implements BuildEvent {}

  /** A trim began anew, with what is known of it from before: its signal is another now. */
  record TrimAnew(String trim) implements BuildEvent {}

  /**
   * A setting was tried.
   *
   * @param at the setting of each knob, in the kit's order
   * @param reads what was read there, in the reading's unit; by ear a number without one
   * @param heard what an ear said of it beside the best, {@code first} for the first; empty where a
   *     meter was read
   * @param practice whether a simulated instrument answered
   */
  record TrimTried(String trim, List<Double> at, double reads, String heard, boolean practice)
      implements BuildEvent {
    public TrimTried {
      at = List.copyOf(at);
    }
  }

  /**
   * A trim was left where it is.
   *
   * @param at the setting of each knob
   * @param reads what was read there
   * @param byEar whether an ear told it, and the number was measured by nobody
   * @param reached whether that is as good as can be told, and not merely enough for whoever sat
   *     there
   */
  record TrimLeft(
      String trim, List<Double> at, double reads, boolean byEar, boolean reached, boolean practice)
      implements BuildEvent {
    public TrimLeft {
      at = List.copyOf(at);
    }
  }

  /**
   * A step of a calibration was done.
   *
   * @param step its number, from 1
   * @param reads what was read, none where nothing is
   */
  record Calibrated(String calibration, int step, List<Double> reads, boolean practice)
      implements BuildEvent {
    public Calibrated {
      reads = List.copyOf(reads);
    }
  }

  /**
   * An instrument was held to a known part.
   *
   * @param reads what it read, in the base unit
   * @param verdict inside, edge or outside
   */
  record Proved(String proof, double reads, String verdict, boolean practice)
      implements BuildEvent {}

  /** A screw of the case was another one: so long, and cut to so much; 0 where it was not cut. */
  record ScrewTaken(String screw, double mm, double cutMm) implements BuildEvent {}

  /** A step of closing the case was done. */
  record Closed(String step) implements BuildEvent {
    /** The step in which the board is powered once more. */
    public static final String ONCE_MORE = "once-more";

    /** The last step: the case is closed. */
    public static final String LAST = "closed";
  }

  /** A remark. */
  record Noted(String stage, String text) implements BuildEvent {}

  /** Something was wrong here. */
  record Wrong(String stage, String at) implements BuildEvent {}

  /** The event of that number no longer counts; it stays in the log. */
  record TookBack(long number) implements BuildEvent {}

  /**
   * Stands in the place of an entry that cannot be read, and is never written itself.
   *
   * @param kind the kind of entry it was, as the journal has it
   * @param why why it cannot be read
   */
  record Unread(String kind, String why) implements BuildEvent {}

  /**
   * An event as the journal holds it.
   *
   * @param number position in the journal, from 1, rising
   * @param at when it was written
   * @param event what happened
   */
  record Entry(long number, Instant at, BuildEvent event) {}
}
