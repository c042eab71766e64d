"""Known noise on a clean picture, and how near to it two ways of calming come.

peers_noise.py lay CLEAN SIGMA NOISY.png: writes the picture with normal noise of SIGMA of 255.
peers_noise.py hold CLEAN NOISY OURS: prints the PSNR of OURS to CLEAN in dB, and of OpenCV's
non-local means at the best of nine strengths with its seconds and strength.
"""
import sys
import time

import cv2
import numpy

clean = cv2.imread(sys.argv[2])


def psnr(picture):
    error = ((picture.astype(float) - clean) ** 2).mean()
    return 10 * numpy.log10(255**2 / error)


if sys.argv[1] == "lay":
    noise = numpy.random.default_rng(11).normal(0, float(sys.argv[3]), clean.shape)
    cv2.imwrite(sys.argv[4], numpy.clip(clean + noise, 0, 255).round().astype(numpy.uint8))
else:
    noisy = cv2.imread(sys.argv[3])
    cv2.setNumThreads(2)
    best = (0, 0, 0)
    for strength in (3, 4, 5, 7, 9, 12, 16, 20, 25):
        start = time.time()
        calm = cv2.fastNlMeansDenoisingColored(noisy, None, strength, strength, 7, 21)
        best = max(best, (psnr(calm), time.time() - start, strength))
    print("%.2f %.2f %.2f %d" % (psnr(cv2.imread(sys.argv[4])), *best))
