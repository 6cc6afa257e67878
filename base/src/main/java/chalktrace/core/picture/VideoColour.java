package chalktrace.core.picture;

/**
 * What the samples of a video's planes mean.
 *
 * @param fullRange luma 0 to 255 instead of 16 to 235, chroma alike
 * @param site where the samples of chroma lie
 * @param light how RGB that comes out is to be read
 */
public record VideoColour(YuvMatrix matrix, boolean fullRange, ChromaSite site, VideoLight light) {}
