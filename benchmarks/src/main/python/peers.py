"""peers.py PHOTO SPOTS OUT: heals round spots with OpenCV, for comparison.

SPOTS holds lines of x, y and radius. Written to OUT: telea.png and ns.png by inpainting, clone.png by
seamless cloning from the one offset whose rim is nearest to the spot's.
"""
import math
import sys

import cv2
import numpy

photo_file, spots_file, out = sys.argv[1:4]
photo = cv2.imread(photo_file)
height, width = photo.shape[:2]
spots = [[float(v) for v in line.split()] for line in open(spots_file) if line.strip()]
mask = numpy.zeros((height, width), numpy.uint8)
for x, y, radius in spots:
    cv2.circle(mask, (int(x), int(y)), round(radius), 255, -1)


def window(x, y, half):
    inside = half <= x < width - half and half <= y < height - half
    return photo[y - half : y + half + 1, x - half : x + half + 1] if inside else None


def source(x, y, radius):
    half = round(radius) + 4
    own = window(x, y, half)
    if own is None:
        return None
    rim = numpy.zeros(own.shape[:2], numpy.uint8)
    cv2.circle(rim, (half, half), half - 1, 255, 3)
    least, best = math.inf, None
    for step in range(72):
        far = (2.2, 2.8, 3.5)[step % 3] * radius
        angle = 2 * math.pi * (step // 3) / 24
        u, v = int(x + far * math.cos(angle)), int(y + far * math.sin(angle))
        other = window(u, v, half)
        if other is None or mask[v - half : v + half + 1, u - half : u + half + 1].any():
            continue
        cost = ((own.astype(int) - other)[rim > 0] ** 2).mean()
        if cost < least:
            least, best = cost, (u, v)
    return best


cloned = photo.copy()
for x, y, radius in spots:
    x, y = int(x), int(y)
    best = source(x, y, radius)
    if best:
        half = round(radius) + 4
        where = numpy.zeros((2 * half + 1, 2 * half + 1), numpy.uint8)
        cv2.circle(where, (half, half), round(radius) + 2, 255, -1)
        cloned = cv2.seamlessClone(window(*best, half), cloned, where, (x, y), cv2.NORMAL_CLONE)
cv2.imwrite(out + "/telea.png", cv2.inpaint(photo, mask, 5, cv2.INPAINT_TELEA))
cv2.imwrite(out + "/ns.png", cv2.inpaint(photo, mask, 5, cv2.INPAINT_NS))
cv2.imwrite(out + "/clone.png", cloned)
