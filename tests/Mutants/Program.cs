using System.Diagnostics;
using System.Globalization;
using HomeStart.Mutants;

// dotnet HomeStart.Mutants.dll ROOT FOLDER [COUNT] [SEED]: changes what is below FOLDER, COUNT times at one place each,
// and lists the changes that no test notices.
var root = Path.GetFullPath(args[0]);
var folder = Path.GetFullPath(Path.Combine(root, args[1])).TrimEnd('/') + "/";
var count = args.Length > 2 ? int.Parse(args[2], CultureInfo.InvariantCulture) : int.MaxValue;
var seed = args.Length > 3 ? int.Parse(args[3], CultureInfo.InvariantCulture) : Random.Shared.Next();

var subject = Subject.Of(root, folder);
var build = new Build(subject);
var all = build.Written(folder).SelectMany(Mutations.FindAll).ToArray();
if (all.Length == 0)
{
    Console.Error.WriteLine($"Nothing to change below {folder}: give a folder of src.");
    return 2;
}

new Random(seed).Shuffle(all);
Console.WriteLine($"{all.Length} changes are possible; seed {seed}.");

var benches = Enumerable
    .Range(0, Math.Max(1, Environment.ProcessorCount))
    .Select(number => new TestBench(subject, number))
    .ToList();
build.EmitUnchanged(benches[0].Assembly);
var watch = Stopwatch.StartNew();
if (!await PassesAsync(benches[0], all[0]))
{
    Console.Error.WriteLine("The tests fail without any change. Mend that first.");
    return 1;
}

// The benches share the processors, and the machine may have others; another room may take longer than this one.
var longest = watch.Elapsed * (2 + (2 * benches.Count));
benches.ForEach(bench => bench.Longest = longest > bench.Longest ? longest : bench.Longest);

var waiting = new Queue<Mutation>(all);
var tried = 0;
List<string> survivors = [];
await Task.WhenAll(benches.Select(bench => Task.Run(() => WorkAsync(bench))));

var dead = tried - survivors.Count;
Console.WriteLine(
    string.Create(
        CultureInfo.InvariantCulture,
        $"{dead} of {tried} changes were noticed ({100.0 * dead / tried:0.0}%)."
    )
);
return 0;

async Task WorkAsync(TestBench bench)
{
    while (Next(bench) is { } mutation)
    {
        var passes = await PassesAsync(bench, mutation);
        lock (waiting)
        {
            if (passes)
            {
                survivors.Add(mutation.Describe(root));
            }

            Console.WriteLine($"{(passes ? "SURVIVED" : "noticed ")}  {mutation.Describe(root)}");
        }
    }
}

// The tests of the room notice most changes soon. All of Core's are run for what they let through; all of the host's
// would take too long.
async Task<bool> PassesAsync(TestBench bench, Mutation mutation)
{
    var ofRoom = subject.RoomTests(mutation);
    return (ofRoom.Count == 0 || await bench.PassesAsync(ofRoom))
        && (ofRoom.Count > 0 && subject.Tests == "Web" || await bench.PassesAsync([]));
}

// The next change that compiles, built for this bench.
Mutation? Next(TestBench bench)
{
    lock (waiting)
    {
        while (tried < count && waiting.TryDequeue(out var mutation))
        {
            if (build.TryEmit(mutation, bench.Assembly))
            {
                tried++;
                return mutation;
            }
        }

        return null;
    }
}
