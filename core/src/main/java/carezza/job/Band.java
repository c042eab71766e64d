package carezza.job;

/** Where a reading should lie; both ends belong to it, either may be infinite. */
public record Band(double low, double high) {}
