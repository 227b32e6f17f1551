using KiteLine.Web.Tests;
using Xunit;

// The demo takes its time to be made; every test that only reads it shares one.
[assembly: AssemblyFixture(typeof(DemoApp))]
