import { readFileSync } from 'node:fs';
const pr=JSON.parse(readFileSync(process.argv[2]));
const self=new Map(); const byId=new Map(pr.nodes.map(n=>[n.id,n])); const parent=new Map(); for(const n of pr.nodes) for(const c of n.children??[]) parent.set(c,n.id);
const total=new Map(); 
pr.samples.forEach((s,i)=>{const d=(pr.timeDeltas[i]??0)/1000; const seen=new Set(); let n=s; const nm=x=>{const c=byId.get(x).callFrame; return `${c.functionName||'(anon)'} ${c.url.split('/').pop().slice(0,24)}:${c.lineNumber}:${c.columnNumber}`}; self.set(nm(s),(self.get(nm(s))??0)+d); while(n){const k=nm(n); if(!seen.has(k)){seen.add(k); total.set(k,(total.get(k)??0)+d);} n=parent.get(n);} });
const show=m=>[...m].sort((a,b)=>b[1]-a[1]).slice(0,38).map(([k,v])=>v.toFixed(0).padStart(6)+' '+k).join('\n');
console.log('SELF\n'+show(self)); console.log('TOTAL\n'+show(total));
