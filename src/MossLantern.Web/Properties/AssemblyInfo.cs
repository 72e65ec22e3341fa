using System.Runtime.CompilerServices;

[assembly: InternalsVisibleTo("MossLantern.Web.Tests")]
[assembly: InternalsVisibleTo("MossLantern.Browser.Tests")]
