using static HomeStart.Core.Pages.PlanWords;

namespace HomeStart.Core.Pages;

/// <summary>The ways to pay for a plan, as its amounts and words are met one by one.</summary>
internal sealed class PlanWays(PageText page, PlanDraft plan)
{
    private readonly List<PageAmount> _pendingStruck = [];
    private PageAmount? _lastPlain;

    /// <summary>The price that what follows is about; null: none yet, or a label stands in between.</summary>
    public WayDraft? Current { get; set; }

    /// <summary>How long the price is for that comes next.</summary>
    public Term? NextTerm { get; set; }

    /// <summary>How the price is paid that comes next.</summary>
    public Paid? NextPaid { get; set; }

    /// <summary>The free months of the price that comes next.</summary>
    public Term? NextFree { get; set; }

    /// <summary>Whether lengths of time stand before the prices they are for.</summary>
    public bool LabelsFirst { get; set; }

    /// <summary>How long the price is for that comes next.</summary>
    public void Expect(Term term) => (Current, NextTerm) = (null, term);

    /// <summary>An amount that is struck: of the price above, or of the one that comes.</summary>
    public void Struck(PageAmount amount)
    {
        if (plan.Ways.Count > 0)
        {
            plan.Ways[^1].Struck ??= amount;
        }
        else
        {
            _pendingStruck.Add(amount);
        }
    }

    /// <summary>An amount by what it is.</summary>
    /// <param name="before">The words right before it.</param>
    public void Take(PageAmount amount, Role role, string before, Line line)
    {
        switch (role)
        {
            case Role.Struck:
                _pendingStruck.Add(amount);
                if (Current is { Struck: null } way && way.Line == line && way.Price.At.From < amount.At.From)
                {
                    way.Struck = amount;
                    if (way.Per == Per.None && page.Between(way.Price.End, amount.At.From).Trim().Length == 0)
                    {
                        // "£2, was £5, a month": of both.
                        (way.Per, way.Price) = (amount.Per, way.Price with { Per = amount.Per });
                    }

                    _pendingStruck.Clear();
                }

                break;
            case Role.Later:
                if (
                    Current is not null
                    && Current.Line != line
                    && plan.Ways.Count > 1
                    && plan.Ways.TrueForAll(other => other.Later is null)
                )
                {
                    // Below several lengths of time: all of them renew at it, save what is paid by the month.
                    foreach (
                        var longer in plan.Ways.Where(other =>
                            other.Term?.Months != 1
                            && (other.Price.Per == amount.Per || amount.Per == Per.None || other == Current)
                        )
                    )
                    {
                        longer.Later = amount;
                    }
                }
                else if (Current is not null)
                {
                    Current.Later ??= amount;
                    if (Current.Later != amount && plan.Later is null)
                    {
                        plan.Later = amount;
                    }
                }
                else
                {
                    plan.Later ??= amount;
                }

                break;
            case Role.Setup:
                if (OnMonthly.IsMatch(line.Words) && Current is not null)
                {
                    Current.Setup = amount;
                }
                else
                {
                    plan.Setup ??= amount;
                }

                break;
            case Role.Total when Current is not null:
                Current.Totals.Add(amount);
                if (Current.Term is null && NextTerm is not null)
                {
                    (Current.Term, NextTerm) = (NextTerm, null); // "billed yearly (£120)", of the price above.
                }

                break;
            case Role.Saving:
                Current?.Savings.Add(amount);
                if (Current is null)
                {
                    plan.IsFirst = true;
                }

                break;
            case Role.WithTax when Current is { Price.Per: Per.None } taxed && amount.Per != Per.None:
                taxed.Price = taxed.Price with { Per = amount.Per };
                taxed.Per = amount.Per;
                break;
            case Role.Price or Role.Total:
                Price(amount, before, line);
                break;
        }
    }

    /// <summary>At the end of the plan's lines: "£2.99 a month", and below it "Was £5.99".</summary>
    public void Finish()
    {
        if (
            plan.Ways is [{ Struck: null } only]
            && _pendingStruck.Find(amount => amount.Value > only.Price.Value) is { } dear
        )
        {
            only.Struck = dear;
        }
    }

    private void Price(PageAmount amount, string before, Line line)
    {
        if (amount.Per == Per.Once && NextTerm is null)
        {
            return; // Paid once, and for no length of time: no price of a plan.
        }

        if (Current is { } same && (IsSameSum(same, amount, line) || IsSumOfLater(same, amount)))
        {
            return;
        }

        // The same price again: in the choice of a length, and large below it.
        if (
            LabelsFirst
            && Current is { Term: not null } again
            && NextTerm is null
            && line.Seen.Cell is null
            && amount.Per is Per.Month or Per.Year
            && (again.Price.Value, again.Price.Per) == (amount.Value, amount.Per)
        )
        {
            again.Totals.Add(amount);
            return;
        }

        if (
            !page.IsMarked
            && _lastPlain is { } last
            && Current is { } open
            && ReferenceEquals(open.Price, last)
            && last.Value > amount.Value
            && last.Per is Per.None
            && open.Struck is null
            && OnlySaving.IsMatch(page.Between(last.End, amount.At.From))
        )
        {
            open.Struck = last;
            open.Price = amount;
            open.Per = amount.Per;
            open.IsFrom |= FromPrice.IsMatch(before);
            _lastPlain = amount;
            return;
        }

        // In the same words, per month and struck of the same kind.
        if (
            !page.IsMarked
            && _lastPlain is { } dear
            && Current is { } before2
            && ReferenceEquals(before2.Price, dear)
            && dear.Value > amount.Value
            && (dear.Per == amount.Per || amount.Per != Per.None)
            && before2.Struck is null
            && OnlySaving.IsMatch(page.Between(dear.End, amount.At.From))
            && before2.Term is null
        )
        {
            before2.Struck = dear;
            before2.Price = amount;
            before2.Per = amount.Per;
            _lastPlain = amount;
            return;
        }

        // In plain text a dearer amount right behind the price may be struck, or may not.
        if (
            !page.IsMarked
            && _lastPlain is { } cheap
            && Current is not null
            && ReferenceEquals(Current.Price, cheap)
            && (amount.Per == Per.None || cheap.Per == Per.None)
            && cheap.Value < amount.Value
            && page.Between(cheap.End, amount.At.From).Trim(' ').Length == 0
        )
        {
            if (cheap.Per == Per.None)
            {
                // "£2 £5 a month": of both.
                (Current.Per, Current.Price) = (amount.Per, cheap with { Per = amount.Per });
            }

            return;
        }

        if (amount.IsPaidMonthly && NextTerm is null)
        {
            NextTerm = new Term(1, new PageSpan(amount.At.From, amount.End));
        }

        // A second price without a term of its own is no other way to pay.
        if (
            Current is { Term: null } first
            && NextTerm is null
            && (first.Price.Per == amount.Per || amount.Per == Per.None)
        )
        {
            return;
        }

        Current = new WayDraft(amount, line)
        {
            Term = NextTerm,
            Paid = NextPaid,
            Free = NextFree,
            IsFirst = amount.IsFirst,
            IsFrom = FromPrice.IsMatch(before),
        };
        if (_pendingStruck.Count > 0)
        {
            Current.Struck = _pendingStruck[^1];
            _pendingStruck.Clear();
        }

        (NextTerm, NextPaid, NextFree) = (null, null, null);
        _lastPlain = amount;
        plan.Ways.Add(Current);
    }

    // The same price said for another length: "£35.88 a year (£2.99 a month)".
    private bool IsSameSum(WayDraft way, PageAmount amount, Line line)
    {
        if (way.Line != line && line.Index - way.Line.Index > 4)
        {
            return false;
        }

        if (way.Price.Per == Per.Month && amount.Per is Per.Year or Per.None or Per.Once)
        {
            foreach (var months in new[] { way.Term?.Months ?? 0, 12, 24, 36, 48, 60 })
            {
                if (months > 1 && Math.Abs((way.Price.Value * months) - amount.Value) <= months * 0.01m)
                {
                    way.Totals.Add(amount);
                    if (way.Term is null && (amount.Per == Per.Year || NextTerm?.Months == months))
                    {
                        way.Term = NextTerm?.Months == months ? NextTerm : new Term(12, amount.At);
                    }

                    NextTerm = null;

                    return true;
                }
            }
        }

        var isBeside = way.Line == line || (line.Index - way.Line.Index <= 2 && ThatIs.IsMatch(line.Words));
        if (amount.Per == Per.Month && way.Price.Per is Per.Year or Per.None && isBeside)
        {
            foreach (
                var months in new[] { way.Price.Per == Per.Year ? 12 : way.Term?.Months ?? 0, way.Term?.Months ?? 0 }
            )
            {
                if (months > 1 && Math.Abs((amount.Value * months) - way.Price.Value) <= months * 0.01m)
                {
                    way.Totals.Add(way.Price);
                    way.Term ??= new Term(months, way.Price.At);
                    way.Price = amount;
                    way.Per = Per.Month;
                    return true;
                }
            }
        }

        return false;
    }

    // "Renews at £9.99/mo (£359.64 for 3 years)": what comes later, said for another length.
    private bool IsSumOfLater(WayDraft way, PageAmount amount)
    {
        if (
            way.Later is not { Per: Per.Month } later
            || amount.Per == Per.Month
            || page.Between(later.End, amount.At.From).Trim() is not ("(" or "=" or "or")
        )
        {
            return false;
        }

        var isSum = new[] { way.Term?.Months ?? 0, 12, 24, 36, 48, 60 }.Any(months =>
            months > 1 && Math.Abs((later.Value * months) - amount.Value) <= months * 0.01m
        );
        if (isSum)
        {
            way.Totals.Add(amount);
        }

        return isSum;
    }

    /// <summary>"£7 a month", and below it "First year £5 a month": the first is what the second costs later.</summary>
    public void Replace(WayDraft opening)
    {
        if (
            plan.Ways.Find(way =>
                way != opening && way is { Term: null, Later: null } && way.Price.Per == opening.Price.Per
            )
                is { } usual
            && usual.Price.Value > opening.Price.Value
        )
        {
            plan.Ways.Remove(usual);
            opening.Later ??= usual.Price;
            opening.Struck ??= usual.Struck;
        }
    }

    /// <summary>"a month, billed monthly", in the line below a price: what it is for.</summary>
    public void Complete(string words, Line line)
    {
        if (
            Current is { Per: Per.None, Term: null } open
            && line.Index == open.Line.Index + 1
            && UnitLead.Match(words) is { Success: true } unit
        )
        {
            open.Per = unit.Groups["month"].Success ? Per.Month : Per.Year;
            open.Price = open.Price with { Per = open.Per };
        }
    }

    /// <summary>Lengths and ways to pay that stand behind a price complete it; before any, they wait for it.</summary>
    public void Apply(IReadOnlyList<Term> terms, string words, Line line)
    {
        var paid = words.Length <= 300 ? Terms.PaidIn(words) : null;
        var free = Terms.FreeIn(words, line.From);
        if (terms.Count > 0)
        {
            if (Current is { Term: null })
            {
                Current.Term = terms[0];
            }
            else if (Current is null)
            {
                NextTerm = terms[0];
            }
        }

        // "£2.99 when paid for 1 year", and below it "£4.99 when paid monthly".
        if (
            paid == Paid.MonthlyBound
            && terms.Count == 0
            && Current is { Term: null, Per: Per.Month }
            && plan.Ways.Exists(other => other.Term?.Months > 1)
            && !Terms.AreBinding(words)
        )
        {
            (Current.Term, paid) = (new Term(1, line.Seen.At), Paid.MonthlyFree);
        }

        if (paid is not null)
        {
            if (Current is { Paid: null })
            {
                (Current.Paid, Current.PaidAt) = (paid, line.Seen.At);
            }
            else if (Current is null)
            {
                NextPaid = paid;
            }
        }

        if (free is not null)
        {
            if (Current is not null)
            {
                Current.Free ??= free;
            }
            else
            {
                NextFree = free;
            }
        }
    }

    /// <summary>What words say of the prices around them: first ones, the same later, free of a fee.</summary>
    public void Hear(string words, Line line)
    {
        if (
            FirstWords.IsMatch(NotFirst.Replace(words, " "))
            && DomainOffers.In(words, line.Seen.At) is null
            && !Patterns.Has(words, @"\bdomain\b")
        )
        {
            plan.IsFirst = true;
        }

        if (Percent.IsMatch(words))
        {
            if (Current is not null && Current.Line.Index >= line.Index - 2)
            {
                Current.HasPercent = true;
            }
            else
            {
                plan.IsFirst |= Current is null && line.Amounts.Length > 0;
            }
        }

        if (SameWords.IsMatch(words))
        {
            if (Current is not null)
            {
                Current.IsSame = true;
            }
            else
            {
                plan.IsSame = true;
            }

            if (line.Amounts.IsEmpty)
            {
                plan.IsSame = true;
            }
        }

        if (Unstated.IsMatch(words))
        {
            plan.IsUnstated = true;
            plan.IsRegular |= SaysRegular(words);
        }

        if (FreeSetupWords.Match(words) is { Success: true } free)
        {
            var at = new PageSpan(line.From + free.Index, line.From + free.Index + free.Length);
            if (OnMonthly.IsMatch(words) && Current is not null)
            {
                Current.FreeSetup = at;
            }
            else
            {
                plan.FreeSetup ??= at;
            }
        }
    }
}
