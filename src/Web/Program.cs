using HomeStart.Web.Startup;

return await HomeStartApp.RunAsync(args);

/// <summary>The entry point, named so that tests can host it.</summary>
public partial class Program;
