/*
 * The reference on a computer: a board of memory alone, on standard input and output. The tests
 * compile it and load into it over a pair of pseudo-terminals.
 */
#include "humble_link.h"

#include <stdio.h>
#include <string.h>
#include <unistd.h>

static uint8_t memory[HUMBLE_LINK_BYTES];

void humble_link_put(char byte) { putchar(byte); }

uint8_t humble_link_read(uint32_t address) { return memory[address - HUMBLE_LINK_FROM]; }

/* Programming clears bits only, as flash does. */
void humble_link_write(uint32_t address, const uint8_t *bytes, uint32_t count) {
  for (uint32_t i = 0; i < count; i++) memory[address - HUMBLE_LINK_FROM + i] &= bytes[i];
}

void humble_link_erase(uint32_t address, uint32_t count) {
  memset(memory + (address - HUMBLE_LINK_FROM), HUMBLE_LINK_ERASED, count);
}

int humble_link_act(const char *request, char *words) {
  return strcmp(request, "drive") != 0 || strchr(words, '=') != NULL;
}

int main(void) {
  char byte;
  humble_link_erase(HUMBLE_LINK_FROM, HUMBLE_LINK_BYTES);
  while (read(STDIN_FILENO, &byte, 1) == 1) {
    humble_link_byte(byte);
    fflush(stdout);
  }
  return 0;
}
