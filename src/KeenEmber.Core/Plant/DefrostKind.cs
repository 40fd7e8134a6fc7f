namespace KeenEmber.Core.Plant;

public enum DefrostKind { OffCycle, Electric, HotGas }
