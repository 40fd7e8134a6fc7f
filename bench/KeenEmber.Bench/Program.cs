using BenchmarkDotNet.Running;

BenchmarkSwitcher.FromAssembly(typeof(KeenEmber.Bench.SaturationLookup).Assembly).Run(args);
