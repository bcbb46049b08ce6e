import { seedsReport } from './seeds';
seedsReport(Number(process.argv[2]), Number(process.argv[3]), Number(process.argv[4]));
