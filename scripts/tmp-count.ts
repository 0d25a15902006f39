import { scriptsOf } from './first-view'
const b=(c:string[])=>scriptsOf('index.html', c).reduce((a,x)=>a+x.gzipBytes,0)
console.log(b(['DevicesView']), b(['DevicesView','demo']), b(['DevicesView','demo','worker'])-b(['DevicesView','demo']))
