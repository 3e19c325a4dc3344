package humble.store;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/**
 * The checksum of an event, chained to the one before it: SHA-256 over the checksum before, then
 * number and time as eight bytes each, then build, kind and body, each with its length in bytes in
 * front. It covers the bytes as they are stored, so that a later way of reading them changes
 * nothing.
 */
final class Chain {
  /** The length of a checksum, in bytes. */
  static final int BYTES = 32;

  private final MessageDigest digest;
  private final ByteBuffer numbers = ByteBuffer.allocate(2 * Long.BYTES);
  private final ByteBuffer length = ByteBuffer.allocate(Integer.BYTES);

  Chain() {
    try {
      digest = MessageDigest.getInstance("SHA-256");
    } catch (NoSuchAlgorithmException e) {
      throw new IllegalStateException("every Java runtime has SHA-256", e);
    }
  }

  /** Gives what stands before the first event. */
  static byte[] start() {
    return new byte[BYTES];
  }

  /** Gives the checksum of an event whose texts are given as they are stored. */
  byte[] of(byte[] before, long number, long atMs, byte[] build, byte[] kind, byte[] body) {
    digest.reset();
    digest.update(before);
    digest.update(numbers.clear().putLong(number).putLong(atMs).array());
    add(build);
    add(kind);
    add(body);
    return digest.digest();
  }

  /** Gives the checksum of an event that is about to be stored. */
  byte[] of(byte[] before, long number, long atMs, String build, String kind, String body) {
    return of(before, number, atMs, utf8(build), utf8(kind), utf8(body));
  }

  private void add(byte[] text) {
    digest.update(length.clear().putInt(text.length).array());
    digest.update(text);
  }

  private static byte[] utf8(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }
}
