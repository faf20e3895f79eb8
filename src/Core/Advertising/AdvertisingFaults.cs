using HomeStart.Core.Basics;

namespace HomeStart.Core.Advertising;

/// <summary>A page that does not say who sells.</summary>
public sealed record PageSellerMissing : FaultReason;

/// <summary>A page whose currency is not said.</summary>
public sealed record PageCurrencyMissing : FaultReason;

/// <summary>A page that does not say whether prices hold the tax.</summary>
public sealed record PageTaxMissing : FaultReason;

/// <summary>Words in which no plan was found.</summary>
public sealed record PageWithoutPlans : FaultReason;

/// <summary>A page of which no plan is taken.</summary>
public sealed record PagePlansLeft : FaultReason;

/// <summary>A plan without a name.</summary>
public sealed record PagePlanNameless : FaultReason;

/// <summary>Two prices of a plan that are both paid for these months.</summary>
public sealed record PageWaysAlike(int EveryMonths) : FaultReason;

/// <summary>A price whose months are not said.</summary>
public sealed record PageMonthsMissing(string Price) : FaultReason;

/// <summary>A price of which it is not said how it is paid.</summary>
public sealed record PagePaidMissing(string Price) : FaultReason;

/// <summary>A row of a table, counted from 1, that names no plan.</summary>
public sealed record RowWithoutPlan(int Row) : FaultReason;

/// <summary>A row of a table, counted from 1, without a price.</summary>
public sealed record RowWithoutPrice(int Row, string Plan) : FaultReason;

/// <summary>A row of a table, counted from 1, that says a second price for the same months.</summary>
public sealed record RowSaidTwice(int Row, string Plan, int EveryMonths) : FaultReason;

/// <summary>A table whose prices say nothing of how long each is paid for.</summary>
public sealed record TableMonthsMissing : FaultReason;

/// <summary>A cell that is no number.</summary>
public sealed record CellNotANumber(string Cell) : FaultReason;

/// <summary>A cell that names no endings.</summary>
public sealed record CellNotEndings(string Cell) : FaultReason;

/// <summary>A cell that is no number of months.</summary>
public sealed record CellNotMonths(string Cell, int Least, int Most) : FaultReason;

/// <summary>A cell in another currency than the table.</summary>
public sealed record CellOfOtherCurrency(string Cell, Currency Currency) : FaultReason;
