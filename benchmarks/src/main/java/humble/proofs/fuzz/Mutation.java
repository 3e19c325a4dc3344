package humble.proofs.fuzz;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Changes inputs of a corpus at random: bits, bytes, numbers, words, pieces that are left out,
 * repeated, moved or taken from another input. The same number gives the same input.
 */
final class Mutation {
  private static final Pattern TOKEN =
      Pattern.compile("[A-Za-z_][A-Za-z0-9_.]{1,30}|[0-9]+|[%*:{}\\[\\]\",;=$()]{1,3}");
  private static final int MOST_TOKENS = 4000;
  private static final int LARGEST = 1 << 17;
  private static final String[] NUMBERS = {
    "0",
    "-1",
    "1",
    "65536",
    "2147483647",
    "-2147483649",
    "99999999999999999999",
    "1e308",
    "1e999",
    "-0.0",
    "0.000000001",
    "NaN",
    "0x7fffffff",
    "4294967296"
  };
  private static final String[] ODD = {
    "\u0000", "\n", "\r\n", "\t", "\u202e", "\u2028", "\ufeff", "../", "'", "\"", "\\u0000", "é",
    "Ω", "(", ")", "/", "-", "+", " ", "%", "*", "$1", "\ud800"
  };

  private final List<byte[]> seeds;
  private final boolean trees;
  private final List<byte[]> tokens = new ArrayList<>();

  /**
   * Makes the mutations of a corpus.
   *
   * @param trees whether its inputs are JSON, whose tree is mostly changed instead of its bytes
   */
  Mutation(List<byte[]> seeds, boolean trees) {
    this.trees = trees;
    this.seeds = List.copyOf(seeds);
    for (byte[] seed : seeds) {
      Matcher token = TOKEN.matcher(new String(seed, StandardCharsets.ISO_8859_1));
      while (token.find() && tokens.size() < MOST_TOKENS) {
        tokens.add(token.group().getBytes(StandardCharsets.ISO_8859_1));
      }
    }
  }

  /** Gives the input of that number; the first ones are the corpus itself. */
  byte[] input(long number) {
    if (number < seeds.size()) {
      return seeds.get((int) number).clone();
    }
    Random random = new Random(number * 0x9E3779B97F4A7C15L);
    byte[] bytes = seeds.get(random.nextInt(seeds.size()));
    if (trees && random.nextInt(4) > 0) {
      byte[] seed = bytes;
      return TreeMutation.of(seed, random).orElseGet(() -> changed(seed, random));
    }
    int changes = 1 << random.nextInt(5);
    for (int i = 0; i < changes; i++) {
      bytes = changed(bytes, random);
    }
    return bytes.length > LARGEST ? Arrays.copyOf(bytes, LARGEST) : bytes;
  }

  private byte[] changed(byte[] bytes, Random random) {
    int at = bytes.length == 0 ? 0 : random.nextInt(bytes.length);
    int length = Math.min(bytes.length - at, 1 + random.nextInt(1 << random.nextInt(9)));
    if (random.nextInt(60) == 0) {
      return spliced(bytes, at, 0, run(bytes, at, random));
    }
    return switch (random.nextInt(12)) {
      case 0 -> bit(bytes, at, random);
      case 1 -> spliced(bytes, at, 0, new byte[] {(byte) random.nextInt(256)});
      case 2 -> spliced(bytes, at, length, new byte[0]);
      case 3 -> repeated(bytes, at, length, random);
      case 4 -> spliced(bytes, at, length, token(random));
      case 5 -> spliced(bytes, at, 0, token(random));
      case 6 -> number(bytes, at, random);
      case 7 -> spliced(bytes, at, random.nextBoolean() ? 0 : Math.min(1, length), odd(random));
      case 8 -> other(bytes, at, length, random);
      case 9 -> Arrays.copyOf(bytes, at);
      case 10 -> moved(bytes, at, length, random);
      default -> noise(bytes, at, length, random);
    };
  }

  private static byte[] bit(byte[] bytes, int at, Random random) {
    if (bytes.length == 0) {
      return bytes;
    }
    byte[] changed = bytes.clone();
    changed[at] ^= (byte) (1 << random.nextInt(8));
    return changed;
  }

  private static byte[] noise(byte[] bytes, int at, int length, Random random) {
    byte[] changed = bytes.clone();
    for (int i = at; i < at + length; i++) {
      changed[i] = (byte) random.nextInt(256);
    }
    return changed;
  }

  private static byte[] spliced(byte[] bytes, int at, int length, byte[] with) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(bytes.length + with.length);
    out.write(bytes, 0, at);
    out.writeBytes(with);
    out.write(bytes, at + length, bytes.length - at - length);
    return out.toByteArray();
  }

  private static byte[] repeated(byte[] bytes, int at, int length, Random random) {
    int times = random.nextInt(20) == 0 ? 1 << random.nextInt(10) : 1 + random.nextInt(4);
    ByteArrayOutputStream piece = new ByteArrayOutputStream();
    for (int i = 0; i < times && piece.size() < LARGEST; i++) {
      piece.write(bytes, at, length);
    }
    return spliced(bytes, at, 0, piece.toByteArray());
  }

  /** The same few signs thousands of times: whoever looks again from every one takes for ever. */
  private static byte[] run(byte[] bytes, int at, Random random) {
    int length = Math.min(bytes.length - at, 1 + random.nextInt(3));
    int times = 1 << (8 + random.nextInt(7));
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    for (int i = 0; i < times && out.size() < LARGEST; i++) {
      out.write(bytes, at, length);
    }
    return out.toByteArray();
  }

  private static byte[] moved(byte[] bytes, int at, int length, Random random) {
    byte[] piece = Arrays.copyOfRange(bytes, at, at + length);
    byte[] without = spliced(bytes, at, length, new byte[0]);
    return spliced(without, without.length == 0 ? 0 : random.nextInt(without.length), 0, piece);
  }

  private byte[] other(byte[] bytes, int at, int length, Random random) {
    byte[] seed = seeds.get(random.nextInt(seeds.size()));
    if (seed.length == 0) {
      return bytes;
    }
    int from = random.nextInt(seed.length);
    int to = Math.min(seed.length, from + 1 + random.nextInt(200));
    return spliced(bytes, at, length, Arrays.copyOfRange(seed, from, to));
  }

  private byte[] token(Random random) {
    return tokens.isEmpty() ? new byte[] {'x'} : tokens.get(random.nextInt(tokens.size()));
  }

  private static byte[] odd(Random random) {
    return ODD[random.nextInt(ODD.length)].getBytes(StandardCharsets.UTF_8);
  }

  /** Puts another number in the place of the next one. */
  private static byte[] number(byte[] bytes, int at, Random random) {
    int from = at;
    while (from < bytes.length && !isDigit(bytes[from])) {
      from++;
    }
    int to = from;
    while (to < bytes.length && isDigit(bytes[to])) {
      to++;
    }
    String with = NUMBERS[random.nextInt(NUMBERS.length)];
    return spliced(bytes, from, to - from, with.getBytes(StandardCharsets.US_ASCII));
  }

  private static boolean isDigit(byte b) {
    return b >= '0' && b <= '9';
  }
}
