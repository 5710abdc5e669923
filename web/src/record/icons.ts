import type { Component } from 'vue';
import IAnchor from '~icons/tabler/anchor';
import IAlertTriangle from '~icons/tabler/alert-triangle';
import IBike from '~icons/tabler/bike';
import IBook from '~icons/tabler/book';
import IBuilding from '~icons/tabler/building';
import IBus from '~icons/tabler/bus';
import ICalendar from '~icons/tabler/calendar';
import ICamera from '~icons/tabler/camera';
import ICar from '~icons/tabler/car';
import IClock from '~icons/tabler/clock';
import ICoffee from '~icons/tabler/coffee';
import ICompass from '~icons/tabler/compass';
import IDroplet from '~icons/tabler/droplet';
import IFish from '~icons/tabler/fish';
import IFlag from '~icons/tabler/flag';
import IFlame from '~icons/tabler/flame';
import IGift from '~icons/tabler/gift';
import IHeart from '~icons/tabler/heart';
import IHome from '~icons/tabler/home';
import IInfoCircle from '~icons/tabler/info-circle';
import IKey from '~icons/tabler/key';
import ILeaf from '~icons/tabler/leaf';
import ILink from '~icons/tabler/link';
import ILock from '~icons/tabler/lock';
import IMail from '~icons/tabler/mail';
import IMap from '~icons/tabler/map';
import IMapPin from '~icons/tabler/map-pin';
import IMoodSmile from '~icons/tabler/mood-smile';
import IMusic from '~icons/tabler/music';
import IParking from '~icons/tabler/parking';
import IPaw from '~icons/tabler/paw';
import IPhone from '~icons/tabler/phone';
import IPlant from '~icons/tabler/plant';
import IRoad from '~icons/tabler/road';
import ISailboat from '~icons/tabler/sailboat';
import ISchool from '~icons/tabler/school';
import IShoppingCart from '~icons/tabler/shopping-cart';
import ISignRight from '~icons/tabler/sign-right';
import ISnowflake from '~icons/tabler/snowflake';
import IStar from '~icons/tabler/star';
import ISun from '~icons/tabler/sun';
import ITag from '~icons/tabler/tag';
import ITent from '~icons/tabler/tent';
import ITicket from '~icons/tabler/ticket';
import ITool from '~icons/tabler/tool';
import ITrain from '~icons/tabler/train';
import ITrees from '~icons/tabler/trees';
import IUmbrella from '~icons/tabler/umbrella';
import IUser from '~icons/tabler/user';
import IUsers from '~icons/tabler/users';
import IWalk from '~icons/tabler/walk';
import IWheelchair from '~icons/tabler/wheelchair';
import IWifi from '~icons/tabler/wifi';
import IWorld from '~icons/tabler/world';

/** Pictures of the icons that pages commonly want; any other name may be typed. */
export const icons: Record<string, Component> = {
  anchor: IAnchor,
  'alert-triangle': IAlertTriangle,
  bike: IBike,
  book: IBook,
  building: IBuilding,
  bus: IBus,
  calendar: ICalendar,
  camera: ICamera,
  car: ICar,
  clock: IClock,
  coffee: ICoffee,
  compass: ICompass,
  droplet: IDroplet,
  fish: IFish,
  flag: IFlag,
  flame: IFlame,
  gift: IGift,
  heart: IHeart,
  home: IHome,
  'info-circle': IInfoCircle,
  key: IKey,
  leaf: ILeaf,
  link: ILink,
  lock: ILock,
  mail: IMail,
  map: IMap,
  'map-pin': IMapPin,
  'mood-smile': IMoodSmile,
  music: IMusic,
  parking: IParking,
  paw: IPaw,
  phone: IPhone,
  plant: IPlant,
  road: IRoad,
  sailboat: ISailboat,
  school: ISchool,
  'shopping-cart': IShoppingCart,
  'sign-right': ISignRight,
  snowflake: ISnowflake,
  star: IStar,
  sun: ISun,
  tag: ITag,
  tent: ITent,
  ticket: ITicket,
  tool: ITool,
  train: ITrain,
  trees: ITrees,
  umbrella: IUmbrella,
  user: IUser,
  users: IUsers,
  walk: IWalk,
  wheelchair: IWheelchair,
  wifi: IWifi,
  world: IWorld,
};
