import { openDatabases } from './scripts/lib/database';
import { prepareDatabase } from './scripts/lib/demoData';
import { portFrom, startServer } from './scripts/lib/server';
import { bareJob } from './scripts/lib/benchJob';
import { writeJobFile } from './src/core/formats/jobFile';
import { ensureBuild } from './scripts/lib/build';
import { openBrowser } from './scripts/lib/browser';
ensureBuild(true);
const db = await openDatabases('test'); const name='good_shelf_prof'; const url = await db.ensure(name); await prepareDatabase(url,false);
const server = await startServer(url, await portFrom(4890));
try {
const { id } = await (await fetch(`${server.address}/api/jobs/file`,{method:'POST',body:writeJobFile({...bareJob(5000),id:'bare'})})).json() as any;
for (let i=0;i<4;i++){const a=performance.now();const t=await (await fetch(`${server.address}/api/jobs/${id}`)).text();console.log('api', (performance.now()-a).toFixed(0), t.length);}
const b = await openBrowser(); const page = await (await b.newContext({viewport:{width:1280,height:800}})).newPage();
const cell=()=>page.getByLabel('Notes of R00003');
for (let i=0;i<3;i++){ await page.goto('about:blank'); const a=performance.now(); await page.goto(`${server.address}/jobs/${id}/runs`,{waitUntil:'commit'}); const c=performance.now(); await cell().press('End'); console.log('open',(performance.now()-a).toFixed(0),'commit',(c-a).toFixed(0)); await page.waitForTimeout(6000);}
const cdp = await page.context().newCDPSession(page);
await page.goto('about:blank'); await cdp.send('Profiler.enable'); await cdp.send('Profiler.setSamplingInterval',{interval:500}); await cdp.send('Profiler.start');
await page.goto(`${server.address}/jobs/${id}/runs`,{waitUntil:'commit'}); await cell().press('End');
const { profile } = await cdp.send('Profiler.stop') as any;
const nav = await page.evaluate(()=>JSON.stringify(performance.getEntriesByType('resource').map((e:any)=>[e.name.split('/').slice(-1)[0].slice(0,40),Math.round(e.startTime),Math.round(e.responseEnd)])));
console.log(nav);
const self=new Map<string,number>(); const dt=profile.timeDeltas; const byId=new Map(profile.nodes.map((n:any)=>[n.id,n]));
profile.samples.forEach((s:number,i:number)=>{const n:any=byId.get(s);const k=n.callFrame.functionName+' '+n.callFrame.url.split('/').slice(-1)[0].slice(0,24)+':'+n.callFrame.lineNumber+':'+n.callFrame.columnNumber;self.set(k,(self.get(k)??0)+dt[i]/1000)});
console.log([...self].sort((a,b)=>b[1]-a[1]).slice(0,28).map(([k,v])=>v.toFixed(0)+' '+k).join('\n'));
// total by inclusive for named functions
const parent=new Map<number,number>();for(const n of profile.nodes)for(const c of n.children??[])parent.set(c,n.id);
const incl=new Map<string,number>();profile.samples.forEach((s:number,i:number)=>{const seen=new Set<string>();for(let at:number|undefined=s;at!==undefined;at=parent.get(at)){const n:any=byId.get(at);const k=n.callFrame.functionName;if(k&&!seen.has(k)){seen.add(k);incl.set(k,(incl.get(k)??0)+dt[i]/1000)}}});
console.log('INCL', [...incl].sort((a,b)=>b[1]-a[1]).slice(0,40).map(([k,v])=>v.toFixed(0)+' '+k).join(' | '));
await b.close();
} finally { await server.stop(); await db.drop(name); db.stop(); }
