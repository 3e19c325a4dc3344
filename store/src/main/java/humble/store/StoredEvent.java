package humble.store;

import java.nio.charset.StandardCharsets;

/**
 * A row of the journal as its bytes lie in the file.
 *
 * @param number number of the event
 * @param atMs when it was written, in milliseconds since 1970
 * @param build build, as stored
 * @param kind kind, as stored
 * @param body body, as stored
 * @param chain checksum, empty where there is none
 */
record StoredEvent(long number, long atMs, byte[] build, byte[] kind, byte[] body, byte[] chain) {
  String buildText() {
    return new String(build, StandardCharsets.UTF_8);
  }

  String kindText() {
    return new String(kind, StandardCharsets.UTF_8);
  }

  String bodyText() {
    return new String(body, StandardCharsets.UTF_8);
  }
}
