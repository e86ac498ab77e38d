import { plainPlaces } from '/work/main/demo/places'
import { prove } from '/work/main/core/prove'
for (const n of [1,2,3,4,8,12,14,16]) {
  const c = plainPlaces({places:n,supplyAt:0,loadAt:n-1})
  prove(c); 
  const ts:number[]=[]
  for (let i=0;i<(n>12?8:50);i++){const t=performance.now(); const p=prove(c); ts.push(performance.now()-t); if(p.kind!=='proven') throw 1}
  ts.sort((a,b)=>a-b)
  console.log(n, 'best',ts[0]!.toFixed(3),'median',ts[ts.length>>1]!.toFixed(3), 'us/state', (ts[ts.length>>1]!*1000/2**n).toFixed(2))
}
