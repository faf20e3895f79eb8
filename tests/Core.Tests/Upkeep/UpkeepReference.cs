using System.Numerics;
using System.Text.Json;
using System.Text.Json.Nodes;
using static HomeStart.Core.Tests.Reference;

namespace HomeStart.Core.Tests;

/// <summary>
/// Upkeep once more, written from the rules alone and straight from the JSON, one day after another, with no thought of
/// speed. It takes the lines of the costing from that room's reference, and shares nothing with the product but the
/// text both were written from.
/// </summary>
internal sealed class UpkeepReference
{
    private static readonly string[] Kinds = ["plan", "dataCentre", "setup", "domain", "addOn", "redemption", "credit"];
    private static readonly int[] Attempts = [0, 1, 3, 7];

    private readonly JsonObject _request;
    private readonly DateOnly _start;
    private readonly DateOnly _until;
    private readonly List<JsonElement> _books;
    private readonly R _tax;
    private readonly Holding? _host;
    private readonly List<Holding> _domains = [];
    private readonly SortedDictionary<string, Account> _accounts = new(StringComparer.Ordinal);
    private readonly List<string> _happened = [];
    private readonly HashSet<int> _taken = [];
    private readonly List<(string Extra, int Units)> _extras = [];
    private readonly HashSet<string> _plansHad = [];
    private readonly JsonElement? _given;
    private readonly int _commitOfOrder;
    private JsonElement _plan;
    private JsonElement _option;
    private DateOnly _committed = DateOnly.MinValue;
    private int _next;
    private bool _card = true;

    private UpkeepReference(JsonObject request)
    {
        _request = request;
        var json = request.Deserialize<JsonElement>();
        (_start, _until) = (Day(json.GetProperty("startDate")), Day(json.GetProperty("until")));
        _books = [.. json.GetProperty("books").EnumerateArray()];
        _tax = R.From(Text(Get(json, "owner"), "taxPercent") ?? "0");
        var candidate = json.GetProperty("candidate");
        var all = Items(candidate, "domains").ToList();
        _next = all.Count;
        if (Get(candidate, "hosting") is { } hosting)
        {
            _host = new Holding("hosting", Text(hosting, "plan")!, Text(hosting, "book")!, -1);
            _plan = PlanOf(_host.Book, _host.Ref)!.Value;
            _option = OptionOf(_plan, Int(hosting, "everyMonths")!.Value, Int(hosting, "commitMonths"))!.Value;
            (_given, _commitOfOrder) = (Get(_plan, "includedDomain"), Commit(_option));
            _committed = _commitOfOrder > Every(_option) ? _start.AddMonths(_commitOfOrder) : DateOnly.MinValue;
            _plansHad.Add(_host.Ref);
            _extras.AddRange(
                Items(hosting, "addOns").Select(extra => (Text(extra, "id")!, Int(extra, "quantity") ?? 1))
            );
            AccountOf(_host.Book);
        }

        // Rule 1: what is kept elsewhere, lent or chosen later is not had; the costing is made without it.
        var had = all.Index().Where(domain => Text(domain.Item, "route") is "register" or "transfer").ToList();
        foreach (var (index, domain) in had)
        {
            _domains.Add(
                new Holding(
                    $"domain:{index}",
                    $"{Text(domain, "name")}.{Text(domain, "ending")}",
                    Text(domain, "book")!,
                    index
                )
                {
                    Ending = Text(domain, "ending"),
                }
            );
            AccountOf(Text(domain, "book")!);
        }

        var without = request.DeepClone().AsObject();
        without["candidate"]!["domains"] = new JsonArray([
            .. had.Select(domain => JsonNode.Parse(domain.Item.GetRawText())),
        ]);
        if (_host is null && had.Count == 0)
        {
            return;
        }

        foreach (var charge in ChargesOf(without.Deserialize<JsonElement>(), withDiscounts: true))
        {
            var holding = charge.Domain < 0 ? _host! : _domains[charge.Domain];
            var waived = charge
                .Cuts.Where(cut => cut.Source == "included")
                .Select(cut => (BigInteger?)cut.Amount)
                .FirstOrDefault();
            if (waived is not null)
            {
                _taken.Add(Flag(_given, "everyYear") == true ? Whole(charge.Date) / 12 : 0);
            }

            holding.Lines.Add(
                new Line(charge.Kind, charge.Ref, holding, charge.Date, charge.Left + (waived ?? 0))
                {
                    Waiver = waived,
                    IsUnstated = waived is null ? charge.Unstated : charge.Unstated || charge.FirstUnstated,
                    RestUnstated = waived is not null && charge.Unstated,
                    Cover = charge.Cover,
                    Place = charge.Place,
                    Ending = charge.Ending,
                    IsIncluded = charge.IsIncluded,
                    ByCycle =
                        charge.Domain < 0
                        && (
                            charge.Kind is "plan" or "dataCentre"
                            || (charge.Kind == "addOn" && Charging(_host!.Book, charge.Ref) is "month" or "cycle")
                        ),
                }
            );
        }
    }

    /// <summary>What happened, line by line; what is had at the end; balances and what was paid.</summary>
    public static List<string> Answer(JsonObject request) => new UpkeepReference(request).Work();

    private List<string> Work()
    {
        foreach (var (book, _) in _accounts.ToList())
        {
            Pay(book, _start, _start, Due(book, _start), order: true);
        }

        var decisions = _request["decisions"]
            ?.AsArray()
            .Select(decision => decision.Deserialize<JsonElement>())
            .ToList()
            ?? [];
        for (var day = _start.AddDays(1); day <= _until; day = day.AddDays(1))
        {
            foreach (var decision in decisions.Where(decision => Day(decision.GetProperty("on")) == day))
            {
                if (Decide(decision, day) is { } reason)
                {
                    Say($"{Write(day)} refused {Text(decision, "do")} {reason}");
                }
            }

            foreach (var (book, account) in _accounts.ToList())
            {
                foreach (
                    var bill in account
                        .Open.Where(bill => bill.Due.AddDays(Attempts[bill.Tried]) == day)
                        .OrderBy(bill => bill.Due)
                        .ToList()
                )
                {
                    Attempt(book, account, bill, day);
                }

                Renew(book, account, day);
            }

            States(day);
        }

        return
        [
            .. _happened,
            .. Holdings.Select(held =>
                $"{held.Key} {held.Ref} {held.State} {held.Renews} {(PaidUntil(held) is { } paid ? Write(paid) : "")}"
            ),
            .. _accounts.Select(account => $"balance {account.Key} {account.Value.Balance}"),
            .. _accounts
                .Where(account => account.Value.IsCharged)
                .GroupBy(account => Currency(account.Key))
                .Select(group =>
                    $"paid {group.Key} {group.Aggregate(BigInteger.Zero, (sum, account) => sum + account.Value.ByCard)}"
                )
                .Order(StringComparer.Ordinal),
        ];
    }

    private IEnumerable<Holding> Holdings => _host is null ? _domains : _domains.Prepend(_host);

    private List<Line> Due(string book, DateOnly day) =>
        [
            .. Holdings
                .Where(held => held.Book == book)
                .SelectMany(held => held.Lines)
                .Where(line => line.Date == day && line.Fate == "coming"),
        ];

    // Rule 7.
    private void Renew(string book, Account account, DateOnly day)
    {
        var due = new List<Line>();
        foreach (var lines in Due(book, day).GroupBy(line => line.Held))
        {
            if (lines.Key.State == "live" && (lines.Key.Renews || (lines.Key == _host && day < _committed)))
            {
                due.AddRange(lines);
                continue;
            }

            lines.ToList().ForEach(line => line.Fate = "missed");
            if (lines.Key.State == "live" && lines.Any(line => line.IsOwn))
            {
                lines.Key.Missed = day;
                lines.Key.Becomes = lines.Key == _host ? "ended" : null;
            }
        }

        if (due.Count == 0)
        {
            return;
        }

        // Rule 15: renewals of claimed domains take what is free that day.
        foreach (
            var line in due.Where(line => line.IsOwn && line.Held.IsClaimed && line.Waiver is null)
                .OrderBy(line => line.Held.Index)
        )
        {
            if (Stands(line, due) && Grant(line.Ending!, book, day) is { } grant)
            {
                _taken.Add(grant);
                (line.Waiver, line.RestUnstated) = (line.Price, false);
            }
        }

        var bill = new Bill(day, due);
        account.Open.Add(bill);
        Attempt(book, account, bill, day);
    }

    // Rules 3, 6, 9 and 10.
    private void Attempt(string book, Account account, Bill bill, DateOnly day)
    {
        bill.Tried++;
        if (Pay(book, day, bill.Due, bill.Lines))
        {
            account.Open.Remove(bill);
            return;
        }

        Say($"{Write(day)} failed {book} {Write(bill.Due)} {Total(book, bill.Lines).Total} {bill.Tried}");
        foreach (var line in bill.Lines)
        {
            line.Fate = "open";
            line.Held.Missed = line.IsOwn ? bill.Due : line.Held.Missed;
        }

        if (bill.Tried == Attempts.Length)
        {
            account.Open.Remove(bill);
            foreach (var line in bill.Lines)
            {
                line.Fate = "given up";
                if (line.IsOwn && line.Held == _host)
                {
                    _host!.Becomes = "suspended";
                }
            }
        }
    }

    private bool Pay(
        string book,
        DateOnly day,
        DateOnly due,
        List<Line> lines,
        bool order = false,
        bool assumed = false
    )
    {
        var account = AccountOf(book);
        var amounts = Sorted(lines)
            .ConvertAll(line =>
                (Line: line, Amount: AmountOf(line, lines, order), AtLeast: AtLeast(line, lines, order))
            );
        var (total, net, tax) = Taxed(book, amounts.Aggregate(BigInteger.Zero, (sum, line) => sum + line.Amount));
        var fromBalance = BigInteger.Min(account.Balance, BigInteger.Max(0, total));
        if (total - fromBalance > 0 && !_card)
        {
            return false;
        }

        var atLeast = amounts.Exists(line => line.AtLeast);
        if (total < 0)
        {
            account.Balance -= total;
            Say($"{Write(day)} credited {book} {-total}{(assumed ? " assumed" : "")}");
        }
        else if (lines.Count > 0 && (total != 0 || atLeast))
        {
            account.Balance -= fromBalance;
            account.ByCard += total - fromBalance;
            account.IsCharged = true;
            Say(
                $"{Write(day)} charged {book} {Write(due)} {total} {net} {tax} "
                    + $"{fromBalance}{(atLeast ? " at least" : "")}{(assumed ? " assumed" : "")}: "
                    + $"{string.Join(", ", amounts.Select(line => $"{line.Line.Kind} {line.Line.Ref} {line.Line.Held.Key} {line.Amount}"))}"
            );
        }

        foreach (var (line, amount, _) in amounts)
        {
            (line.Fate, line.Paid) = ("paid", amount);
        }

        foreach (var held in lines.Where(line => line.IsOwn).Select(line => line.Held).Distinct())
        {
            (held.Missed, held.Becomes) = (null, null);
            if (held.State != "live")
            {
                Become(held, "live", day);
            }
        }

        return true;
    }

    // Rule 4, at each attempt and payment.
    private bool Stands(Line line, List<Line> bill) =>
        _host is not null
        && Gives(line.Ending)
        && (
            bill.Exists(other => other.IsOwn && other.Held == _host)
            || (_host.State == "live" && PaidUntil(_host) > line.Date)
        );

    private BigInteger AmountOf(Line line, List<Line> bill, bool order) =>
        line.Waiver is { } waiver && (order || Stands(line, bill)) ? line.Price - waiver : line.Price;

    private bool AtLeast(Line line, List<Line> bill, bool order) =>
        line.Waiver is not null && (order || Stands(line, bill)) ? line.RestUnstated : line.IsUnstated;

    private (BigInteger Total, BigInteger Net, BigInteger Tax) Total(string book, List<Line> lines) =>
        Taxed(book, lines.Aggregate(BigInteger.Zero, (sum, line) => sum + AmountOf(line, lines, order: false)));

    private (BigInteger Total, BigInteger Net, BigInteger Tax) Taxed(string book, BigInteger sum)
    {
        var rule = Get(Book(book), "tax");
        if (Flag(rule, "charged") == false)
        {
            return (sum, sum, 0);
        }

        if (Flag(rule, "pricesInclude") == true)
        {
            var net = (R.From(sum) * R.From(100) / (R.From(100) + _tax)).Round();
            return (sum, net, sum - net);
        }

        var tax = (R.From(sum) * _tax / R.From(100)).Round();
        return (sum + tax, sum, tax);
    }

    // Rules 10 and 11.
    private void States(DateOnly day)
    {
        if (_host is not null)
        {
            if (_host.Becomes is { } becomes)
            {
                _host.Becomes = null;
                TakeOut(_host);
                Become(_host, becomes, day);
            }

            if (_host.State is "suspended" or "ended" && day >= _host.Missed!.Value.AddDays(21))
            {
                Become(_host, "gone", day);
                Stop(_host);
            }
        }

        foreach (var domain in _domains.Where(domain => domain.Missed is not null && !domain.IsOver))
        {
            var lapse = Get(
                Items(Book(domain.Book), "domains").First(known => Text(known, "ending") == domain.Ending),
                "lapse"
            );
            int Part(string name, int usual) => lapse is { } stated ? Int(stated, name) ?? usual : usual;
            var passed = day.DayNumber - domain.Missed!.Value.DayNumber;
            var (redemption, pending) = (Part("graceDays", 30), Part("graceDays", 30) + Part("redemptionDays", 30));
            var state =
                passed < redemption ? "grace"
                : passed < pending ? "redemption"
                : passed < pending + Part("pendingDays", 5) ? "pending"
                : "gone";
            if (state == domain.State)
            {
                continue;
            }

            var isStated =
                lapse is { } all
                && new[] { "graceDays", "redemptionDays", "redemptionFee", "pendingDays" }.All(name =>
                    Get(all, name) is not null
                );
            Become(domain, state, day, isStated ? "" : " assumed");
            if (state != "grace")
            {
                TakeOut(domain);
            }

            if (state == "gone")
            {
                Stop(domain);
            }
        }
    }

    private string? Decide(JsonElement decision, DateOnly day)
    {
        var held = Holdings.FirstOrDefault(known => known.Key == Text(decision, "holding"));
        switch (Text(decision, "do"))
        {
            case "renewing":
                var value = decision.GetProperty("value").GetBoolean();
                if (held is null || held.Renews == value)
                {
                    return held is null ? "unknown" : "same";
                }

                held.Renews = value;
                NoMore(held, day);
                return null;
            case "card":
                var works = Text(decision, "value") == "works";
                var same = works == _card;
                _card = works;
                return same ? "same" : null;
            case "pay":
                return PayMissed(held, day);
            case "leave":
                return Leave(day);
            case "change":
                return Change(decision, day);
            case "add":
                return AddExtra(Text(decision, "extra")!, Int(decision, "quantity") ?? 1, day);
            case "drop":
                return Drop(Text(decision, "extra")!, day);
            default:
                return Claim(decision.GetProperty("domain"), day);
        }
    }

    private void NoMore(Holding held, DateOnly day)
    {
        if (
            held.Renews
            || !Bills.Any(bill => bill.Lines.Exists(line => line.Held == held && line.IsOwn))
            || (held == _host && held.Missed < _committed)
        )
        {
            return;
        }

        TakeOut(held);
        if (held == _host)
        {
            Become(held, "ended", day);
        }
    }

    // Rule 12.
    private string? PayMissed(Holding? held, DateOnly day)
    {
        if (held is null || held.State is "pending" or "gone" or "left" || held.Missed is not { } missed)
        {
            return held is null ? "unknown"
                : held.State is "pending" or "gone" or "left" ? "too-late"
                : "nothing-to-pay";
        }

        var lines = held
            .Lines.Where(line =>
                (line.Date == missed && line.Fate is not ("paid" or "stopped"))
                || (line.Date > missed && line.Date < day && line.Fate == "missed")
            )
            .ToList();
        if (held.State == "redemption")
        {
            var lapse = Get(
                Items(Book(held.Book), "domains").First(known => Text(known, "ending") == held.Ending),
                "lapse"
            );
            var fee = lapse is { } stated ? Amount(stated, "redemptionFee", Book(held.Book)) : null;
            lines.Add(new Line("redemption", held.Ref, held, day, fee ?? 0) { IsUnstated = fee is null });
        }

        if (!Pay(held.Book, day, day, lines))
        {
            return "card-stopped";
        }

        Tidy();
        return null;
    }

    // Rule 13.
    private string? Leave(DateOnly day)
    {
        if (_host is null || _host.State != "live")
        {
            return _host is null ? "unknown" : "not-live";
        }

        var book = Book(_host.Book);
        if (
            Get(book, "refund") is { } refund
            && (Int(refund, "days") ?? 0) > 0
            && _commitOfOrder >= (Int(refund, "minCommitMonths") ?? 0)
            && day <= _start.AddDays(Int(refund, "days")!.Value)
        )
        {
            var (account, excludes, deducts) = (
                AccountOf(_host.Book),
                Words(refund, "excludes"),
                Flag(refund, "deductsIncludedDomain") == true
            );
            var paid = Holdings
                .Where(held => held.Book == _host.Book)
                .SelectMany(held => held.Lines)
                .Where(line => line.Fate == "paid")
                .ToList();
            var sum = paid.Where(line => line.Kind != "redemption" && !line.Matches(excludes))
                .Aggregate(BigInteger.Zero, (total, line) => total + line.Paid);
            sum -= deducts
                ? paid.Where(line => line.Date == _start)
                    .Aggregate(BigInteger.Zero, (total, line) => total + (line.Waiver ?? 0))
                : 0;
            var back = BigInteger.Min(Taxed(_host.Book, BigInteger.Max(0, sum)).Total, account.ByCard);
            if (back > 0)
            {
                account.ByCard -= back;
                Say($"{Write(day)} refunded {_host.Book} {back}");
            }

            account.Balance = 0;
            GoAway(_host, day);
            foreach (
                var domain in _domains
                    .Where(domain =>
                        domain.Book == _host.Book
                        && domain.State != "gone"
                        && domain.Lines.Find(line => line.IsOwn && line.Date == _start) is { } own
                        && !own.Matches(excludes)
                        && !(deducts && own.Waiver > 0)
                    )
                    .ToList()
            )
            {
                GoAway(domain, day);
            }

            Tidy();
            return null;
        }

        if (!_host.Renews)
        {
            return "same";
        }

        _host.Renews = false;
        NoMore(_host, day);
        return null;
    }

    // Rule 14.
    private string? Change(JsonElement decision, DateOnly day)
    {
        if (
            _host is null
            || PlanOf(_host.Book, Text(decision, "plan")!) is not { } plan
            || OptionOf(plan, Int(decision, "everyMonths")!.Value, Int(decision, "commitMonths")) is not { } option
        )
        {
            return "unknown";
        }

        if (_host.State != "live" || Bills.Any(bill => bill.Lines.Exists(line => line.Held == _host)))
        {
            return _host.State != "live" ? "not-live" : "open-bill";
        }

        if (
            Text(plan, "id") == Text(_plan, "id")
            && Every(option) == Every(_option)
            && Commit(option) == Commit(_option)
        )
        {
            return "same";
        }

        var (book, rule) = (Book(_host.Book), Get(Book(_host.Book), "change"));
        var covered = _host
            .Lines.Where(line =>
                line.Fate == "paid"
                && line.ByCycle
                && !line.IsCut
                && line.Cover is var (from, until)
                && from <= day
                && day < until
            )
            .ToList();
        var credits = new List<Line>();
        if (Text(rule, "credit") == "days")
        {
            foreach (
                var line in Sorted([.. covered.OrderBy(line => line.Date)])
                    .Where(line => line.Kind != "addOn" || _extras.Exists(had => had.Extra == line.Ref))
            )
            {
                var (from, until) = line.Cover!.Value;
                var left = (
                    R.From(line.Paid)
                    * R.From(until.DayNumber - day.DayNumber)
                    / R.From(until.DayNumber - from.DayNumber)
                ).Round();
                if (!left.IsZero)
                {
                    credits.Add(new Line("credit", line.Ref, _host, day, -left) { Credits = line });
                }
            }
        }

        var isFirst = Flag(rule, "firstPrice") == true && !_plansHad.Contains(Text(plan, "id")!);
        var made = Anew(plan, option, day, isFirst);
        if (
            !Pay(
                _host.Book,
                day,
                day,
                [.. made.Where(line => line.Date == day), .. credits],
                assumed: Text(rule, "credit") is null || Flag(rule, "firstPrice") is null
            )
        )
        {
            return "card-stopped";
        }

        _host
            .Lines.Where(line => line.ByCycle && line.Fate != "paid" && line.Date >= day)
            .ToList()
            .ForEach(line => line.Fate = "stopped");
        covered.ForEach(line => line.IsCut = true);
        _host.Lines.AddRange([.. made, .. credits]);
        (_plan, _option, _host.Ref) = (plan, option, Text(plan, "id")!);
        _plansHad.Add(_host.Ref);
        var end = day.AddMonths(Commit(option));
        _committed = Commit(option) > Every(option) && end > _committed ? end : _committed;
        return null;
    }

    private List<Line> Anew(JsonElement plan, JsonElement option, DateOnly day, bool isFirst)
    {
        var (book, every, lines) = (Book(_host!.Book), Every(option), new List<Line>());
        var centreId = Text(_request["candidate"]!["hosting"].Deserialize<JsonElement>(), "dataCentre");
        var perMonth = centreId is null
            ? null
            : Amount(Items(book, "dataCentres").First(centre => Text(centre, "id") == centreId), "perMonth", book);
        for (var cycle = 0; day.AddMonths(cycle * every) <= _until; cycle++)
        {
            var (from, until) = (day.AddMonths(cycle * every), day.AddMonths((cycle + 1) * every));
            Add("plan", Text(plan, "id")!, Price(option.GetProperty("prices"), cycle, 1), 1, 0);
            if (perMonth is { IsZero: false } surcharge)
            {
                Add("dataCentre", centreId!, (surcharge * every, false), 1, 0);
            }

            foreach (
                var had in _extras
                    .Where(had => Charging(_host.Book, had.Extra) is "month" or "cycle")
                    .GroupBy(had => had.Extra)
            )
            {
                var (extra, place) = ExtraOf(_host.Book, had.Key);
                var (units, prices) = (had.Sum(one => one.Units), extra.GetProperty("charge").GetProperty("prices"));
                var isMonthly = Charging(_host.Book, had.Key) == "month";
                if (Words(plan, "includes").Contains(had.Key))
                {
                    units--;
                    if (cycle == 0)
                    {
                        lines.Add(
                            new Line("addOn", had.Key, _host, day, 0)
                            {
                                Place = place,
                                ByCycle = true,
                                IsIncluded = true,
                            }
                        );
                    }
                }

                if (units > 0)
                {
                    Add(
                        "addOn",
                        had.Key,
                        isMonthly ? Price(prices, cycle * every, every) : Price(prices, cycle, 1),
                        units,
                        place
                    );
                }
            }

            void Add(string kind, string name, (BigInteger Sum, bool Unstated) price, int units, int place) =>
                lines.Add(
                    new Line(kind, name, _host!, from, price.Sum * units)
                    {
                        IsUnstated = price.Unstated,
                        Cover = (from, until),
                        Place = place,
                        ByCycle = true,
                    }
                );
        }

        return lines;

        // Without a first price, and for a plan had before, the last step stands for all periods.
        (BigInteger Sum, bool Unstated) Price(JsonElement prices, int first, int count)
        {
            if (isFirst)
            {
                return Steps(prices, book, first, count);
            }

            var last = Amount(prices.EnumerateArray().Last(), "amount", book);
            return ((last ?? 0) * count, last is null);
        }
    }

    // Rule 16.
    private string? AddExtra(string id, int quantity, DateOnly day)
    {
        if (
            _host is null
            || !Items(Book(_host.Book), "addOns")
                .Any(known => Text(known, "id") == id && (Text(known, "for") ?? "hosting") != "domain")
        )
        {
            return "unknown";
        }

        if (_host.State != "live")
        {
            return "not-live";
        }

        var ((extra, place), how, book) = (ExtraOf(_host.Book, id), Charging(_host.Book, id), Book(_host.Book));
        var unit = Amount(extra, "priceIfBoughtLater", book)
            ?? Amount(extra.GetProperty("charge").GetProperty("prices").EnumerateArray().Last(), "amount", book);
        var (price, lines) = ((unit ?? 0) * quantity, new List<Line>());
        if (how == "once")
        {
            lines.Add(Line(day, price, null));
        }
        else if (how == "year")
        {
            for (var year = 0; day.AddMonths(12 * year) <= _until; year++)
            {
                lines.Add(
                    Line(day.AddMonths(12 * year), price, (day.AddMonths(12 * year), day.AddMonths(12 * (year + 1))))
                );
            }
        }
        else
        {
            var whole = how == "month" ? price * Every(_option) : price;
            var plans = _host
                .Lines.Where(line => line is { Kind: "plan", IsCut: false } && line.Fate != "stopped")
                .ToList();
            if (
                plans.Find(line => line.Cover is var (from, until) && from <= day && day < until) is
                { Cover: var (begins, ends) }
            )
            {
                lines.Add(
                    Line(
                        day,
                        (
                            R.From(whole)
                            * R.From(ends.DayNumber - day.DayNumber)
                            / R.From(ends.DayNumber - begins.DayNumber)
                        ).Round(),
                        (day, ends)
                    )
                );
            }

            lines.AddRange(
                plans
                    .Where(plan => plan.Date > day && plan.Date <= _until)
                    .Select(plan => Line(plan.Date, whole, plan.Cover))
            );
        }

        if (!Pay(_host.Book, day, day, [.. lines.Where(line => line.Date == day)]))
        {
            return "card-stopped";
        }

        _host.Lines.AddRange(lines);
        _extras.Add((id, quantity));
        return null;

        Line Line(DateOnly date, BigInteger amount, (DateOnly, DateOnly)? cover) =>
            new("addOn", id, _host!, date, amount)
            {
                IsUnstated = unit is null,
                Cover = cover,
                Place = place,
                ByCycle = how is "month" or "cycle",
            };
    }

    private string? Drop(string id, DateOnly day)
    {
        if (_host is null || !_extras.Exists(had => had.Extra == id))
        {
            return "unknown";
        }

        if (_host.State != "live")
        {
            return "not-live";
        }

        _host
            .Lines.Where(line => line.Kind == "addOn" && line.Ref == id && line.Date >= day && line.Fate != "paid")
            .ToList()
            .ForEach(line => line.Fate = "stopped");
        _extras.RemoveAll(had => had.Extra == id);
        return null;
    }

    // Rule 15.
    private string? Claim(JsonElement domain, DateOnly day)
    {
        var (book, ending, name) = (
            Text(domain, "book")!,
            Text(domain, "ending")!,
            $"{Text(domain, "name")}.{Text(domain, "ending")}"
        );
        var list = _books.Find(known => Text(known, "id") == book);
        if (
            list.ValueKind == JsonValueKind.Undefined
            || !Items(list, "domains").Any(price => Text(price, "ending") == ending)
            || Items(domain, "addOns")
                .Any(extra =>
                    !Items(list, "addOns")
                        .Any(known => Text(known, "id") == Text(extra, "id") && Text(known, "for") == "domain")
                )
        )
        {
            return "unknown";
        }

        if (_domains.Exists(had => string.Equals(had.Ref, name, StringComparison.OrdinalIgnoreCase) && !had.IsOver))
        {
            return "same";
        }

        var held = new Holding($"domain:{_next}", name, book, _next) { Ending = ending, IsClaimed = true };
        var grant = Grant(ending, book, day);
        foreach (
            var charge in ChargesOf(Alone(domain, day), withDiscounts: false)
                .Where(charge => charge.Domain == 0 && charge.Date <= _until)
        )
        {
            var isFirst = charge.Kind == "domain" && charge.Date == day && grant is not null;
            held.Lines.Add(
                new Line(charge.Kind, charge.Ref, held, charge.Date, charge.Amount)
                {
                    IsUnstated = charge.Unstated,
                    RestUnstated = isFirst && charge.RestUnstated,
                    Waiver = isFirst ? charge.Waivable : null,
                    Cover = charge.Cover,
                    Place = charge.Kind == "domain" ? held.Index : charge.Place,
                    Ending = charge.Ending,
                    IsIncluded = charge.IsIncluded,
                }
            );
        }

        var isNew = !_accounts.ContainsKey(book);
        if (!Pay(book, day, day, [.. held.Lines.Where(line => line.Date == day)], order: true))
        {
            if (isNew)
            {
                _accounts.Remove(book);
            }

            return "card-stopped";
        }

        if (grant is { } taken)
        {
            _taken.Add(taken);
        }

        _next++;
        _domains.Add(held);
        Become(held, "live", day);
        return null;
    }

    // The domain by itself from a day on, beside the plan that is had then while hosting is live.
    private JsonElement Alone(JsonElement domain, DateOnly day)
    {
        var request = _request.DeepClone().AsObject();
        var bought = JsonNode.Parse(domain.GetRawText())!.AsObject();
        bought["route"] = "register";
        request["startDate"] = Write(day);
        request["candidate"] = new JsonObject
        {
            ["hosting"] = _host is { State: "live" }
                ? new JsonObject
                {
                    ["book"] = _host.Book,
                    ["plan"] = Text(_plan, "id"),
                    ["everyMonths"] = Every(_option),
                    ["commitMonths"] = Commit(_option),
                }
                : null,
            ["domains"] = new JsonArray(bought),
        };
        return request.Deserialize<JsonElement>();
    }

    private int? Grant(string ending, string book, DateOnly day)
    {
        if (_given is not { } given || _host is not { State: "live" } || _host.Book != book || !Gives(ending))
        {
            return null;
        }

        int? grant =
            Flag(given, "everyYear") == true ? Whole(day) / 12
            : day < _start.AddMonths(Int(given, "claimWithinMonths") ?? 12) ? 0
            : null;
        return grant is { } there && !_taken.Contains(there) ? there : null;
    }

    private bool Gives(string? ending) =>
        ending is not null
        && Get(_plan, "includedDomain") is { } given
        && Commit(_option) >= (Int(given, "minCommitMonths") ?? 0)
        && Words(given, "endings").Contains(ending);

    private int Whole(DateOnly day) => Enumerable.Range(0, 181).Last(month => _start.AddMonths(month) <= day);

    private IEnumerable<Bill> Bills => _accounts.Values.SelectMany(account => account.Open);

    private void TakeOut(Holding held)
    {
        foreach (var bill in Bills)
        {
            bill.Lines.Where(line => line.Held == held).ToList().ForEach(line => line.Fate = "missed");
            bill.Lines.RemoveAll(line => line.Held == held);
        }

        Tidy();
    }

    private void Tidy()
    {
        foreach (var account in _accounts.Values)
        {
            account.Open.ForEach(bill => bill.Lines.RemoveAll(line => line.Fate is "paid" or "stopped"));
            account.Open.RemoveAll(bill => bill.Lines.Count == 0);
        }
    }

    private void GoAway(Holding held, DateOnly day)
    {
        Stop(held);
        Become(held, "left", day);
    }

    private static void Stop(Holding held) =>
        held.Lines.Where(line => line.Fate != "paid").ToList().ForEach(line => line.Fate = "stopped");

    private static DateOnly? PaidUntil(Holding held) =>
        held.Lines.Where(line => line is { IsOwn: true, Fate: "paid", IsCut: false }).Max(line => line.Cover?.Until);

    private void Become(Holding held, string state, DateOnly day, string more = "")
    {
        held.State = state;
        Say($"{Write(day)} state {held.Key} {state}{more}");
    }

    private void Say(string what) => _happened.Add(what);

    private static List<Line> Sorted(List<Line> lines) =>
        [
            .. lines
                .OrderBy(line => Array.IndexOf(Kinds, line.Kind))
                .ThenBy(line => line.Kind == "credit" ? 0 : line.Place)
                .ThenBy(line => line.Held.Index)
                .ThenBy(line => !line.IsIncluded),
        ];

    private JsonElement Book(string id) => _books.First(book => Text(book, "id") == id);

    private string Currency(string book) => Text(Book(book), "currency")!;

    private JsonElement? PlanOf(string book, string id) =>
        Items(Book(book), "plans").Select(plan => (JsonElement?)plan).FirstOrDefault(plan => Text(plan, "id") == id);

    private static JsonElement? OptionOf(JsonElement plan, int every, int? commit) =>
        Items(plan, "billing")
            .Select(option => (JsonElement?)option)
            .FirstOrDefault(option => Every(option!.Value) == every && Commit(option.Value) == (commit ?? every));

    private (JsonElement Extra, int Place) ExtraOf(string book, string id) =>
        Items(Book(book), "addOns")
            .Index()
            .Where(extra => Text(extra.Item, "id") == id)
            .Select(extra => (extra.Item, extra.Index))
            .First();

    private string? Charging(string book, string id) => Text(ExtraOf(book, id).Extra.GetProperty("charge"), "every");

    private static int Every(JsonElement option) => Int(option, "everyMonths")!.Value;

    private static int Commit(JsonElement option) => Int(option, "commitMonths") ?? Every(option);

    private Account AccountOf(string book) =>
        _accounts.TryGetValue(book, out var known) ? known : _accounts[book] = new Account();

    private sealed class Account
    {
        public BigInteger Balance { get; set; }

        public BigInteger ByCard { get; set; }

        public bool IsCharged { get; set; }

        public List<Bill> Open { get; } = [];
    }

    private sealed class Bill(DateOnly due, List<Line> lines)
    {
        public DateOnly Due => due;

        public List<Line> Lines => lines;

        public int Tried { get; set; }
    }

    private sealed class Holding(string key, string name, string book, int index)
    {
        public string Key => key;

        public string Ref { get; set; } = name;

        public string Book => book;

        public int Index => index;

        public string? Ending { get; init; }

        public bool IsClaimed { get; init; }

        public string State { get; set; } = "live";

        public bool Renews { get; set; } = true;

        public DateOnly? Missed { get; set; }

        public string? Becomes { get; set; }

        public List<Line> Lines { get; } = [];

        public bool IsOver => State is "left" or "gone";
    }

    private sealed class Line(string kind, string name, Holding held, DateOnly date, BigInteger price)
    {
        public string Kind => kind;

        public string Ref => name;

        public Holding Held => held;

        public DateOnly Date => date;

        public BigInteger Price => price;

        public BigInteger? Waiver { get; set; }

        public bool RestUnstated { get; set; }

        public bool IsUnstated { get; init; }

        public (DateOnly From, DateOnly Until)? Cover { get; init; }

        public int Place { get; init; }

        public string? Ending { get; init; }

        public bool ByCycle { get; init; }

        public bool IsIncluded { get; init; }

        public bool IsCut { get; set; }

        public string Fate { get; set; } = "coming";

        public BigInteger Paid { get; set; }

        public Line? Credits { get; init; }

        public bool IsOwn => kind is "plan" or "domain";

        public bool Matches(List<string> words) =>
            Credits is { } credited
                ? credited.Matches(words)
                : words.Contains(kind) || words.Contains($"{kind}:{(kind == "domain" ? Ending : name)}");
    }
}
