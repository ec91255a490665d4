/* Rays through the same triangles by a native library, for a comparison in one run: mesh and rays come in one file. */
#include <embree3/rtcore.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <time.h>

static double seconds(void) {
  struct timespec t;
  clock_gettime(CLOCK_MONOTONIC, &t);
  return t.tv_sec + t.tv_nsec * 1e-9;
}

/* file: corners, triangles, rays of each of two kinds (int32), then x y z, then three corners, then origin and direction */
int main(int argc, char **argv) {
  FILE *f = argc > 1 ? fopen(argv[1], "rb") : NULL;
  int n[3];
  if (!f || fread(n, 4, 3, f) != 3) return 1;
  RTCDevice device = rtcNewDevice("threads=1");
  RTCScene scene = rtcNewScene(device);
  RTCGeometry mesh = rtcNewGeometry(device, RTC_GEOMETRY_TYPE_TRIANGLE);
  float *p = rtcSetNewGeometryBuffer(mesh, RTC_BUFFER_TYPE_VERTEX, 0, RTC_FORMAT_FLOAT3, 12, n[0]);
  unsigned *t = rtcSetNewGeometryBuffer(mesh, RTC_BUFFER_TYPE_INDEX, 0, RTC_FORMAT_UINT3, 12, n[1]);
  float *ray = malloc((size_t)n[2] * 2 * 6 * 4);
  if (fread(p, 12, n[0], f) != (size_t)n[0] || fread(t, 12, n[1], f) != (size_t)n[1] ||
      fread(ray, 24, (size_t)n[2] * 2, f) != (size_t)n[2] * 2)
    return 1;
  rtcCommitGeometry(mesh);
  rtcAttachGeometry(scene, mesh);
  double began = seconds();
  rtcCommitScene(scene);
  printf("%f", seconds() - began);
  for (int kind = 0; kind < 2; kind++) {
    double best = 1e9;
    long hits = 0;
    for (int run = 0; run < 7; run++) {
      struct RTCIntersectContext context;
      rtcInitIntersectContext(&context);
      if (kind == 0) context.flags = RTC_INTERSECT_CONTEXT_FLAG_COHERENT;
      began = seconds();
      hits = 0;
      for (int i = 0; i < n[2]; i++) {
        const float *r = ray + ((size_t)kind * n[2] + i) * 6;
        struct RTCRayHit h;
        memset(&h, 0, sizeof h);
        h.ray.org_x = r[0], h.ray.org_y = r[1], h.ray.org_z = r[2];
        h.ray.dir_x = r[3], h.ray.dir_y = r[4], h.ray.dir_z = r[5];
        h.ray.tfar = 1e6f, h.ray.mask = -1u;
        h.hit.geomID = RTC_INVALID_GEOMETRY_ID;
        rtcIntersect1(scene, &context, &h);
        hits += h.hit.geomID != RTC_INVALID_GEOMETRY_ID;
      }
      double took = seconds() - began;
      if (took < best) best = took;
    }
    printf(" %f %ld", n[2] / best, hits);
  }
  puts("");
  return 0;
}
