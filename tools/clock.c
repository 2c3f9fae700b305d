/* A clock that is off by the seconds in the file that DEMO_CLOCK names, for servers that make the demo's files. */
#define _GNU_SOURCE
#include <dlfcn.h>
#include <fcntl.h>
#include <stdint.h>
#include <stdlib.h>
#include <sys/mman.h>
#include <sys/time.h>
#include <time.h>

static int64_t off_by(void) {
  static volatile int64_t *shared;
  if (!shared) {
    int file = open(getenv("DEMO_CLOCK"), O_RDONLY);
    shared = mmap(0, sizeof *shared, PROT_READ, MAP_SHARED, file, 0);
  }
  return *shared;
}

int gettimeofday(struct timeval *now, void *zone) {
  static int (*real)(struct timeval *, void *);
  if (!real) real = (int (*)(struct timeval *, void *))dlsym(RTLD_NEXT, "gettimeofday");
  int found = real(now, zone);
  now->tv_sec += off_by();
  return found;
}

time_t time(time_t *now) {
  struct timeval found;
  gettimeofday(&found, 0);
  if (now) *now = found.tv_sec;
  return found.tv_sec;
}
