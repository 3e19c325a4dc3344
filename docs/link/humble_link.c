/*
 * humble-link/1: the board's side of the link protocol of docs/link-protocol.md, for firmware of
 * your own. One line a request, one line an answer.
 *
 * It needs no library but what is included here, no memory but its own buffers, and four functions
 * of yours. Give every byte that the serial line brings to humble_link_byte(); it answers by
 * humble_link_put(). No request makes it write outside the memory that you give it.
 */
#include "humble_link.h"

#include <stddef.h>
#include <string.h>

static char line[HUMBLE_LINK_LINE];
static size_t length;
static int too_long;
static int started;

static void put(const char *text) {
  while (*text) humble_link_put(*text++);
}

static void answer(const char *text) {
  put(text);
  humble_link_put('\n');
}

static int digit(char c) {
  if (c >= '0' && c <= '9') return c - '0';
  if (c >= 'a' && c <= 'f') return c - 'a' + 10;
  if (c >= 'A' && c <= 'F') return c - 'A' + 10;
  return -1;
}

static void put_hex(unsigned value, int digits) {
  while (digits-- > 0) humble_link_put("0123456789abcdef"[(value >> (4 * digits)) & 15]);
}

/* The next word of the line; NULL at its end. */
static char *word(char **at) {
  char *begin = *at;
  while (*begin == ' ') begin++;
  if (!*begin) return NULL;
  char *end = begin;
  while (*end && *end != ' ') end++;
  *at = *end ? end + 1 : end;
  *end = 0;
  return begin;
}

/* A number, decimal or with 0x; 0 when it is none or does not fit. */
static int number(const char *text, int base, uint32_t *value) {
  if (!text) return 0;
  if (base == 0) {
    base = 10;
    if (text[0] == '0' && (text[1] == 'x' || text[1] == 'X')) {
      base = 16;
      text += 2;
    }
  }
  if (!*text) return 0;
  uint32_t sum = 0;
  for (; *text; text++) {
    int d = digit(*text);
    if (d < 0 || d >= base || sum > (0xffffffffu - (uint32_t)d) / (uint32_t)base) return 0;
    sum = sum * (uint32_t)base + (uint32_t)d;
  }
  *value = sum;
  return 1;
}

static uint32_t crc_begin(void) { return 0xffffffffu; }

static uint32_t crc_byte(uint32_t crc, uint8_t byte) {
  crc ^= byte;
  for (int bit = 0; bit < 8; bit++) crc = crc & 1 ? crc >> 1 ^ 0xedb88320u : crc >> 1;
  return crc;
}

static int inside(uint32_t address, uint32_t count) {
  uint32_t at = address - HUMBLE_LINK_FROM; /* one below the memory becomes a large one */
  return count <= HUMBLE_LINK_BYTES && at <= HUMBLE_LINK_BYTES - count;
}

static int in_boot(uint32_t address, uint32_t count) {
  return count > 0 && address <= HUMBLE_LINK_BOOT_TO && address + (count - 1) >= HUMBLE_LINK_BOOT_FROM;
}

static void erase(char *rest) {
  uint32_t address, count;
  if (!number(word(&rest), 0, &address) || !number(word(&rest), 0, &count) || !inside(address, count)) {
    answer("err request is not well formed");
  } else if (in_boot(address, count)) {
    answer("err boot area");
  } else {
    humble_link_erase(address, count);
    started = 0;
    answer("ok");
  }
}

static void page(char *rest) {
  uint32_t address, wanted;
  char *bytes;
  int good = number(word(&rest), 0, &address);
  bytes = word(&rest);
  if (!good || !bytes || !number(word(&rest), 16, &wanted) || strlen(bytes) % 2 != 0) {
    answer("err request is not well formed");
    return;
  }
  uint32_t count = (uint32_t)(strlen(bytes) / 2);
  uint8_t content[HUMBLE_LINK_PAGE];
  if (count > HUMBLE_LINK_PAGE || !inside(address, count) || in_boot(address, count)) {
    answer("err page");
    return;
  }
  uint32_t crc = crc_begin();
  for (uint32_t i = 0; i < count; i++) {
    int high = digit(bytes[2 * i]), low = digit(bytes[2 * i + 1]);
    if (high < 0 || low < 0) {
      answer("err request is not well formed");
      return;
    }
    content[i] = (uint8_t)(high << 4 | low);
    crc = crc_byte(crc, content[i]);
  }
  if ((crc ^ 0xffffffffu) != wanted) {
    answer("err checksum");
  } else {
    humble_link_write(address, content, count);
    answer("ok");
  }
}

static void read_back(char *rest, int sum) {
  uint32_t address, count;
  if (!number(word(&rest), 0, &address) || !number(word(&rest), 0, &count) || !inside(address, count)) {
    answer("err request is not well formed");
    return;
  }
  put("ok ");
  uint32_t crc = crc_begin();
  for (uint32_t i = 0; i < count; i++) {
    uint8_t byte = humble_link_read(address + i);
    crc = crc_byte(crc, byte);
    if (!sum) put_hex(byte, 2);
  }
  if (sum) put_hex(crc ^ 0xffffffffu, 8);
  humble_link_put('\n');
}

static void request(void) {
  char *rest = line;
  char *first = word(&rest);
  if (!first) {
    answer("err request is not well formed");
  } else if (!strcmp(first, "hello")) {
    put("ok humble-link/1 " HUMBLE_LINK_TARGET " page ");
    char digits[12];
    int n = 0;
    for (unsigned page = HUMBLE_LINK_PAGE; page > 0; page /= 10) digits[n++] = (char)('0' + page % 10);
    while (n > 0) humble_link_put(digits[--n]);
#ifdef HUMBLE_LINK_ID
    put(" id " HUMBLE_LINK_ID);
#endif
    humble_link_put('\n');
  } else if (!strcmp(first, "erase")) {
    erase(rest);
  } else if (!strcmp(first, "page")) {
    page(rest);
  } else if (!strcmp(first, "read")) {
    read_back(rest, 0);
  } else if (!strcmp(first, "crc")) {
    read_back(rest, 1);
  } else if (!strcmp(first, "start")) {
    if (humble_link_read(HUMBLE_LINK_VECTOR) == HUMBLE_LINK_ERASED) {
      answer("err nothing to start");
    } else {
      started = 1;
      answer("ok");
    }
  } else if (!strcmp(first, "drive") || !strcmp(first, "show") || !strcmp(first, "display")) {
    answer(!started ? "err not started" : humble_link_act(first, rest) ? "ok" : "err request is not well formed");
  } else {
    answer("err unknown request");
  }
}

void humble_link_byte(char byte) {
  if (byte == '\r') return;
  if (byte != '\n') {
    if (length + 1 < sizeof line) {
      line[length++] = byte;
    } else {
      too_long = 1;
    }
    return;
  }
  line[length] = 0;
  if (too_long) {
    answer("err request is not well formed");
  } else if (length > 0) {
    request();
  }
  length = 0;
  too_long = 0;
}
