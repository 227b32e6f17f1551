using System.Diagnostics; using Dapper;
using KiteLine.Core; using KiteLine.Store; using KiteLine.Formats; using KiteLine.Web;
File.Copy("/tmp/kd/demo/books.db","/tmp/kd/t.db",true);
using var books = Books.Open("/tmp/kd/t.db");
using var desk = new Desk(books, true);
var day = new DateOnly(2026,3,16);
void Time(string n, int k, Action a){ a(); var s=Stopwatch.StartNew(); for(int i=0;i<k;i++) a(); Console.WriteLine($"{n} {s.Elapsed.TotalMilliseconds/k:F2} ms"); }
books.Rehearse("x", tx => {
  var acc = AccountStore.Get(tx.Connection,"LOW01");
  Time("settings",200,()=>CompanyStore.Settings(tx.Connection));
  var cn = tx.Connection;
  Time("q limits",200,()=>_ = Dapper.SqlMapper.Query<(long,string,long)>(cn,"SELECT account_id, from_date, amount FROM limit_change WHERE account_id IN (33) ORDER BY id").AsList().Count.ToString().Trim());
  Time("raw movements",200,()=>{ using var c=cn.CreateCommand(); c.CommandText="SELECT i.id, i.account_id, i.kind, i.date, i.due, i.open, m.value_date, m.amount FROM item i JOIN movement m ON m.item_id = i.id WHERE i.account_id IN ("+acc.Id+") ORDER BY i.id, m.seq"; using var r=c.ExecuteReader(); int n=0; while(r.Read()){ n++; r.GetInt64(0); r.GetString(3);r.GetString(4);r.GetString(6);} });
  var a33=AccountStore.Get(tx.Connection,"PEL01"); Time("load small",200,()=>BookLoader.Load(tx.Connection,[a33.Id]));
  Time("load",200,()=>BookLoader.Load(tx.Connection,[acc.Id]));
  Time("items",200,()=>desk.Items.Items(tx.Connection,acc));
  Time("items closed",100,()=>desk.Items.Items(tx.Connection,acc,true));
  Time("accrued",50,()=>desk.LateCharges.Accrued(tx.Connection,acc,day));
  Time("propose",100,()=>desk.Reminders.Propose(tx.Connection,acc,day));
  var letter = SampleLetter.Of(CompanyStore.Settings(tx.Connection), PolicyStore.Find<ReminderPlan>(tx.Connection,"reminder-plan","STANDARD")!.Definition.Levels[1],2,day);
  Time("letter",100,()=>LetterPdf.Render(letter));
  Time("audit",200,()=>Audit.Record(tx,"a","b",new{x=1}));
  Time("post",200,()=>PostingStore.Post(tx,acc,InvoicePosting.Invoice(null,day,new(Money.Exact(10,acc.Currency),Money.Exact(2,acc.Currency),Money.Zero(acc.Currency)),Shorthand.Read("n/30"),day),null));
  var it = desk.Items.Items(tx.Connection,acc).First(i=>i.OpenAt(day).Minor>500);
  Time("take",100,()=>desk.Receipts.Take(tx,new("LOW01",day,0.01m,"",new Dictionary<long,DiscountChoice>{[it.Id]=DiscountChoice.Proposed}),day));
  return 0;});
