import { chromium } from 'playwright-core';
import { randomUUID } from 'node:crypto';
import { writeFileSync } from 'node:fs';
const A='http://127.0.0.1:4170';
const b = await chromium.launch({executablePath:'/usr/bin/chromium',args:['--no-sandbox','--disable-gpu','--disable-quic'],chromiumSandbox:false});
const p = await b.newPage({viewport:{width:1280,height:800}});
const post=async(u,d)=>{const r=await p.request.post(A+u,{data:d});return r.json();};
const {id}=await post('/api/projects',{name:'Big',from:'empty'});
const {project}=await (await p.request.get(`${A}/api/projects/${id}`)).json();
const pg=project.pages[0]; const parent=pg.elements[pg.root].children[0];
let rev=0;
const el=(id,tag,children,styles={})=>({id,tag,name:id,attributes:{},children,shared:[],styles});
for(let r=0;r<7;r++){
  const els=[];const kids=[];
  for(let k=0;k<100;k++){const i=r*100+k; kids.push('ec'+i);
    els.push(el('ec'+i,'div',['eh'+i,'et'+i,'eu'+i],{base:{'padding-top':'8px'}}),el('eh'+i,'h3',[{text:'Tool '+i}]),
      el('et'+i,'p',[{text:'Hangs on a '},'es'+i,{text:' peg and goes '},'em'+i,{text:' out'}]),el('es'+i,'strong',[{text:'high'}]),el('em'+i,'em',[{text:'often'}]),
      el('eu'+i,'p',[{text:'For '},'ek'+i,{text:' a week'}]),el('ek'+i,'em',[{text:'all'}]));
  }
  els.unshift(el('erow'+r,'div',kids,{base:{display:'grid','grid-template-columns':'repeat(4, minmax(0, 1fr))','row-gap':'8px'}}));
  const a=await post(`/api/projects/${id}/edits`,{revision:rev,edits:[{id:randomUUID(),kind:'do',edit:{type:'insertElement',page:pg.id,parent,index:0,elements:els}}]});
  if(a.refused?.length) console.log(JSON.stringify(a.refused).slice(0,300)); rev=a.revision;
}
await p.addInitScript(()=>{window.tasks=[];new PerformanceObserver(l=>{for(const e of l.getEntries())window.tasks.push([Math.round(e.startTime),Math.round(e.duration)])}).observe({type:'longtask',buffered:true});});
const t0=Date.now();
await p.goto(`${A}/projects/${id}`); await p.getByRole('tree').waitFor(); const f=p.frameLocator('iframe').first(); await f.locator('[data-mp-node="eu699"]').waitFor({state:'attached'});
console.log('opened',Date.now()-t0);
await p.waitForTimeout(6000);
await p.getByRole('treeitem').nth(6).click(); await p.waitForTimeout(1500);
const stop=p.getByRole('button',{name:'Stop'}); if(await stop.count()) await stop.first().click();
await p.waitForTimeout(1000);
const cdp=await p.context().newCDPSession(p); await cdp.send('Profiler.enable'); await cdp.send('Profiler.setSamplingInterval',{interval:200});
await p.evaluate(()=>{window.tasks.length=0});
await cdp.send('Profiler.start');
const box=await p.getByRole('textbox',{name:'Any declaration'}).elementHandle();
for(let i=0;i<12;i++){ await box.fill(`padding-left: ${i+3}px`); await p.evaluate(()=>{window.tasks.push('-')}); await box.press('Enter'); await p.waitForTimeout(500);}
const {profile}=await cdp.send('Profiler.stop'); writeFileSync('/tmp/val.cpuprofile',JSON.stringify(profile));
console.log('value edits', JSON.stringify(await p.evaluate(()=>window.tasks)));
// typing
await f.locator('[data-mp-node="eu3"]').scrollIntoViewIfNeeded().catch(()=>{});
await p.evaluate(()=>{window.tasks.length=0});
await cdp.send('Profiler.start');
await p.getByRole('treeitem').nth(8).click(); console.log(await p.getByRole('treeitem').nth(8).textContent());
await p.keyboard.press('Shift+Enter'); await p.waitForTimeout(500);
await p.evaluate(()=>{window.tasks.length=0});
for(const c of 'hello wide world of tools'){await p.keyboard.press(c===' '?'Space':c);await p.waitForTimeout(120);}
await p.waitForTimeout(800);
const r2=await cdp.send('Profiler.stop'); writeFileSync('/tmp/typ.cpuprofile',JSON.stringify(r2.profile));
console.log('typing', JSON.stringify(await p.evaluate(()=>window.tasks)));
await b.close();
