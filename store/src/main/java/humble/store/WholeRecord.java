package humble.store;

import java.lang.reflect.RecordComponent;
import java.util.Optional;

/** Tells what is missing in a record that was read from a text which need not have all its keys. */
final class WholeRecord {
  private WholeRecord() {}

  /** Gives the name of the first component without a value, in records within it too. */
  static Optional<String> missing(Record record) {
    for (RecordComponent component : record.getClass().getRecordComponents()) {
      if (component.getType().isPrimitive()) {
        continue;
      }
      Object value = value(record, component);
      if (value == null) {
        return Optional.of(component.getName());
      }
      Optional<String> within = value instanceof Record inner ? missing(inner) : Optional.empty();
      if (within.isPresent()) {
        return within;
      }
    }
    return Optional.empty();
  }

  private static @org.jspecify.annotations.Nullable Object value(
      Record record, RecordComponent component) {
    try {
      return component.getAccessor().invoke(record);
    } catch (ReflectiveOperationException e) {
      throw new IllegalStateException("a record shows its components", e);
    }
  }
}
