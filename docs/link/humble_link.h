/* humble-link/1: what firmware of your own gives, and what it gets. See docs/link-protocol.md. */
#ifndef HUMBLE_LINK_H
#define HUMBLE_LINK_H

#include <stdint.h>

/* Your chip: as its target in the kit says. */
#ifndef HUMBLE_LINK_TARGET
#define HUMBLE_LINK_TARGET "main"
#define HUMBLE_LINK_PAGE 128u
#define HUMBLE_LINK_FROM 0x0000u
#define HUMBLE_LINK_BYTES 0x8000u
#define HUMBLE_LINK_BOOT_FROM 0x7e00u
#define HUMBLE_LINK_BOOT_TO 0x7fffu
#define HUMBLE_LINK_VECTOR 0x0000u
#define HUMBLE_LINK_ERASED 0xffu
#endif

/* What your chip says it is, in hexadecimal digits, if it says so: #define HUMBLE_LINK_ID "7450a1" */

/* The longest request: a page in hexadecimal digits, and some words. */
#define HUMBLE_LINK_LINE (2 * HUMBLE_LINK_PAGE + 64)

/* Call this for every byte that the line brings. */
void humble_link_byte(char byte);

/* Yours: send a byte, read one, write at most a page, erase. Addresses are inside the memory. */
void humble_link_put(char byte);
uint8_t humble_link_read(uint32_t address);
void humble_link_write(uint32_t address, const uint8_t *bytes, uint32_t count);
void humble_link_erase(uint32_t address, uint32_t count);

/* Yours: drive, show or display with the words after it; 0 when they make no sense. */
int humble_link_act(const char *request, char *words);

#endif
