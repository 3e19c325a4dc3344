package humble.store;

import humble.core.build.BuildEvent;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.ObjectWriter;
import tools.jackson.databind.json.JsonMapper;

/**
 * Build events to and from the text the journal keeps: the kind beside it is the name of the
 * record.
 */
final class EventJson {
  private static final JsonMapper JSON =
      JsonMapper.builder().disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES).build();

  /** A writer for each kind that has found its way already: an append must be quick. */
  private static final ClassValue<ObjectWriter> WRITERS =
      new ClassValue<>() {
        @Override
        protected ObjectWriter computeValue(Class<?> kind) {
          return JSON.writerFor(kind);
        }
      };

  private EventJson() {}

  static String kind(BuildEvent event) {
    return event.getClass().getSimpleName();
  }

  static String body(BuildEvent event) {
    return WRITERS.get(event.getClass()).writeValueAsString(event);
  }

  /**
   * Reads an event.
   *
   * @throws JournalDamage when the kind is unknown or the body does not fit it
   */
  static BuildEvent read(String kind, String body) {
    for (Class<?> type : BuildEvent.class.getPermittedSubclasses()) {
      if (type.getSimpleName().equals(kind)) {
        try {
          return (BuildEvent) JSON.readValue(body, type);
        } catch (tools.jackson.core.JacksonException e) {
          throw new JournalDamage(
              "An event of kind " + kind + " cannot be read: " + e.getOriginalMessage(), e);
        }
      }
    }
    throw new JournalDamage("The journal holds an event of the unknown kind '" + kind + "'.", null);
  }
}
