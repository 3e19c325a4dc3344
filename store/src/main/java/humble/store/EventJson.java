package humble.store;

import humble.core.build.BuildEvent;
import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Build events to and from the text the journal keeps. The word beside it is the event's own: it
 * stays when a record is renamed, and former words are mapped here, in reading; nothing that is
 * stored is ever rewritten.
 */
final class EventJson {
  private static final JsonMapper JSON =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  private static final Map<String, Class<? extends BuildEvent>> KINDS = kinds();
  private static final Map<Class<? extends BuildEvent>, String> WORDS = words();

  /** A writer for each kind that has found its way already: an append must be quick. */
  private static final ClassValue<ObjectWriter> WRITERS =
      new ClassValue<>() {
        @Override
        protected ObjectWriter computeValue(Class<?> kind) {
          return JSON.writerFor(kind);
        }
      };

  private EventJson() {}

  /** The words of the journal; a new event gets a new word, and no word is ever given again. */
  private static Map<String, Class<? extends BuildEvent>> kinds() {
    Map<String, Class<? extends BuildEvent>> kinds = new LinkedHashMap<>();
    kinds.put("Began", BuildEvent.Began.class);
    kinds.put("Answered", BuildEvent.Answered.class);
    kinds.put("Counted", BuildEvent.Counted.class);
    kinds.put("Measured", BuildEvent.Measured.class);
    kinds.put("BandsRead", BuildEvent.BandsRead.class);
    kinds.put("Sees", BuildEvent.Sees.class);
    kinds.put("UsesMeter", BuildEvent.UsesMeter.class);
    kinds.put("FedBy", BuildEvent.FedBy.class);
    kinds.put("SeriesRead", BuildEvent.SeriesRead.class);
    kinds.put("Checked", BuildEvent.Checked.class);
    kinds.put("HostRead", BuildEvent.HostRead.class);
    kinds.put("Surveyed", BuildEvent.Surveyed.class);
    kinds.put("HoleSeen", BuildEvent.HoleSeen.class);
    kinds.put("LookedOver", BuildEvent.LookedOver.class);
    kinds.put("Snapped", BuildEvent.Snapped.class);
    kinds.put("Chose", BuildEvent.Chose.class);
    kinds.put("TookSchool", BuildEvent.TookSchool.class);
    kinds.put("Moved", BuildEvent.Moved.class);
    kinds.put("Turned", BuildEvent.Turned.class);
    kinds.put("MarkSeen", BuildEvent.MarkSeen.class);
    kinds.put("Acknowledged", BuildEvent.Acknowledged.class);
    kinds.put("SaysDangers", BuildEvent.SaysDangers.class);
    kinds.put("CameAlong", BuildEvent.CameAlong.class);
    kinds.put("SeenFitted", BuildEvent.SeenFitted.class);
    kinds.put("RestsOn", BuildEvent.RestsOn.class);
    kinds.put("PhotoKept", BuildEvent.PhotoKept.class);
    kinds.put("Drilled", BuildEvent.Drilled.class);
    kinds.put("Walked", BuildEvent.Walked.class);
    kinds.put("PlansEvenings", BuildEvent.PlansEvenings.class);
    kinds.put("MarksWeighed", BuildEvent.MarksWeighed.class);
    kinds.put("ModuleRead", BuildEvent.ModuleRead.class);
    kinds.put("Wound", BuildEvent.Wound.class);
    kinds.put("Coiled", BuildEvent.Coiled.class);
    kinds.put("Tried", BuildEvent.Tried.class);
    kinds.put("Repaired", BuildEvent.Repaired.class);
    kinds.put("JointSeen", BuildEvent.JointSeen.class);
    kinds.put("Fitted", BuildEvent.Fitted.class);
    kinds.put("FittedSome", BuildEvent.FittedSome.class);
    kinds.put("TookOut", BuildEvent.TookOut.class);
    kinds.put("LeftOut", BuildEvent.LeftOut.class);
    kinds.put("Replaced", BuildEvent.Replaced.class);
    kinds.put("GateRead", BuildEvent.GateRead.class);
    kinds.put("GatePassed", BuildEvent.GatePassed.class);
    kinds.put("GateOverridden", BuildEvent.GateOverridden.class);
    kinds.put("FaultHidden", BuildEvent.FaultHidden.class);
    kinds.put("Observed", BuildEvent.Observed.class);
    kinds.put("Mended", BuildEvent.Mended.class);
    kinds.put("SettingMade", BuildEvent.SettingMade.class);
    kinds.put("BesideDone", BuildEvent.BesideDone.class);
    kinds.put("RowPut", BuildEvent.RowPut.class);
    kinds.put("RowRead", BuildEvent.RowRead.class);
    kinds.put("PanelOff", BuildEvent.PanelOff.class);
    kinds.put("ProgramShown", BuildEvent.ProgramShown.class);
    kinds.put("UsesProgrammer", BuildEvent.UsesProgrammer.class);
    kinds.put("LoadedBy", BuildEvent.Loaded.class);
    kinds.put("Started", BuildEvent.Started.class);
    kinds.put("Saw", BuildEvent.Saw.class);
    kinds.put("Woke", BuildEvent.Woke.class);
    kinds.put("TrimAnew", BuildEvent.TrimAnew.class);
    kinds.put("TrimTried", BuildEvent.TrimTried.class);
    kinds.put("TrimLeft", BuildEvent.TrimLeft.class);
    kinds.put("Calibrated", BuildEvent.Calibrated.class);
    kinds.put("Proved", BuildEvent.Proved.class);
    kinds.put("ScrewTaken", BuildEvent.ScrewTaken.class);
    kinds.put("Closed", BuildEvent.Closed.class);
    kinds.put("Noted", BuildEvent.Noted.class);
    kinds.put("Wrong", BuildEvent.Wrong.class);
    kinds.put("TookBack", BuildEvent.TookBack.class);
    return Map.copyOf(kinds);
  }

  private static Map<Class<? extends BuildEvent>, String> words() {
    Map<Class<? extends BuildEvent>, String> words = new LinkedHashMap<>();
    KINDS.forEach((word, kind) -> words.put(kind, word));
    return Map.copyOf(words);
  }

  /** Gives the words of all kinds that are written. */
  static java.util.Set<String> kindsWritten() {
    return KINDS.keySet();
  }

  static String kind(BuildEvent event) {
    String word = WORDS.get(event.getClass());
    if (word == null) {
      throw new IllegalArgumentException(
          event.getClass().getSimpleName() + " only stands for what could not be read");
    }
    return word;
  }

  static String body(BuildEvent event) {
    return WRITERS.get(event.getClass()).writeValueAsString(event);
  }

  private static BuildEvent former(String kind, String body) {
    try {
      return FormerWords.read(kind, JSON.readTree(body));
    } catch (RuntimeException e) {
      return new BuildEvent.Unread(kind, "what stands in it makes no sense");
    }
  }

  private static BuildEvent whole(String kind, @Nullable BuildEvent event) {
    if (event == null) {
      return new BuildEvent.Unread(kind, "it is empty");
    }
    return WholeRecord.missing((Record) event)
        .<BuildEvent>map(key -> new BuildEvent.Unread(kind, "'" + key + "' is missing in it"))
        .orElse(event);
  }

  /** Reads an event; one that cannot be read stands in its place and says so. */
  static BuildEvent read(String kind, String body) {
    Class<? extends BuildEvent> type = KINDS.get(kind);
    if (type == null && FormerWords.knows(kind)) {
      return former(kind, body);
    }
    if (type == null) {
      return new BuildEvent.Unread(kind, "this version knows no such kind of entry");
    }
    try {
      return whole(kind, JSON.readValue(body, type));
    } catch (tools.jackson.core.JacksonException e) {
      String message = e.getOriginalMessage();
      return new BuildEvent.Unread(
          kind, message == null ? "its text is no JSON" : message.lines().findFirst().orElse(""));
    } catch (RuntimeException e) {
      // A record refuses what stands in it.
      return new BuildEvent.Unread(kind, "what stands in it makes no sense");
    }
  }
}
